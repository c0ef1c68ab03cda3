<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Sum\SumResult;

/** The circuit as one can: what is left at the bottom, water and coolant poured on it; heights in percent of the capacity. */
final readonly class CanDrawing
{
    private function __construct(
        public float $left, public float $water, public float $pour, public float $capacity, public float $leftLitres,
        public float $waterLitres, public float $pourLitres, public float $result,
    ) {
    }

    /** @param float $capacity litres */
    public static function of(SumResult $mix, float $capacity): self
    {
        [$pour, $water] = [$mix->number('pour'), $mix->number('water')];
        $left = max(0.0, $capacity - $pour - $water);

        return new self(
            100 * $left / $capacity, 100 * $water / $capacity, 100 * $pour / $capacity, $capacity, $left, $water, $pour,
            $mix->number('result'),
        );
    }
}
