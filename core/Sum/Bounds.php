<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** From where to where a field goes, both ends with it, in the base unit of its kind. */
final readonly class Bounds
{
    public function __construct(public float $low, public float $high)
    {
    }

    public function hold(float $value): bool
    {
        return $value >= $this->low && $value <= $this->high;
    }
}
