<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** The circuit as one can: what is left at the bottom, water and coolant poured on it; heights in percent of the capacity. */
final readonly class CanDrawing
{
    private function __construct(
        public float $left, public float $water, public float $pour, public float $capacity, public float $leftLitres,
        public float $waterLitres, public float $pourLitres, public float $result,
    ) {
    }

    public static function of(Mix $mix): self
    {
        [$capacity, $pour, $water] = [$mix->capacity->litres, $mix->pour()->litres, $mix->water()->litres];
        $left = max(0.0, $capacity - $pour - $water);

        return new self(
            100 * $left / $capacity, 100 * $water / $capacity, 100 * $pour / $capacity, $capacity, $left, $water, $pour,
            $mix->result()->percent(),
        );
    }
}
