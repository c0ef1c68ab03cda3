<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

/**
 * A diameter read at several places along, at each of them across once or more: its mean, taper from the first place to the last,
 * and the largest ovality of any. mm.
 */
final readonly class Measured
{
    private function __construct(public float $mean, public float $taper, public float $ovality, public int $readings)
    {
    }

    /** @param non-empty-list<non-empty-list<float>> $places */
    public static function of(array $places): self
    {
        $mean = static fn (array $one): float => array_sum($one) / max(1, count($one));
        $means = array_map($mean, $places);

        return new self(
            $mean($means), count($means) > 1 ? max($means) - min($means) : 0.0,
            max(array_map(static fn (array $one): float => max($one) - min($one), $places)), array_sum(array_map(count(...), $places)),
        );
    }
}
