<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Drawing;

/**
 * An axis of a plot: its unit and its two ends, in numbers of its unit, lengths in those of the frame; what has no length is
 * given one.
 */
final readonly class Axis
{
    private function __construct(public string $unit, public float $low, public float $high)
    {
    }

    /** @param array{float, float} $ends */
    public static function of(string $unit, array $ends): self
    {
        return new self($unit, $ends[0], $ends[1] - $ends[0] > 1e-9 ? $ends[1] : $ends[0] + 1.0);
    }

    public function holds(float $value): bool
    {
        return $value >= $this->low && $value <= $this->high;
    }

    /** How far along a length; what lies outside stands at the end. */
    public function along(float $length, float $value): float
    {
        return $length * (max($this->low, min($this->high, $value)) - $this->low) / ($this->high - $this->low);
    }
}
