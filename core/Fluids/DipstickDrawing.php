<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Sum\SumResult;

/**
 * The pours as one jug to scale, and where there is a dip the end of the stick beside it; heights in percent of what
 * the engine takes, mm for the stick.
 */
final readonly class DipstickDrawing
{
    private function __construct(
        public float $capacity, public float $first, public float $then, public float $firstLitres, public float $thenLitres,
        public ?float $dip, public ?float $target, public float $stick, public ?float $topUp, public ?float $drawOff,
    ) {
    }

    /** @param float $capacity L */
    public static function of(SumResult $result, float $capacity, ?float $dip, ?float $target): self
    {
        [$first, $then] = [$result->number('first_pour'), $result->number('then')];
        $whole = max($capacity, $first + $then);

        return new self(
            $capacity, 100 * $first / $whole, 100 * $then / $whole, $first, $then, $dip, $target,
            null === $dip ? 0.0 : 1.35 * max($dip, $target ?? 0.0, 10.0), $result->has('top_up') ? $result->number('top_up') : null,
            $result->has('draw_off') ? $result->number('draw_off') : null,
        );
    }
}
