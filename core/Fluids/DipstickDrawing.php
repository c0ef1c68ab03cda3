<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * The pours as one jug to scale, and where there is a dip the end of the stick beside it; heights in percent of what
 * the engine takes, mm for the stick.
 */
final readonly class DipstickDrawing
{
    private function __construct(
        public float $capacity, public Pour $first, public Pour $then,
        public ?float $dip, public ?float $target, public float $stick, public ?float $topUp, public ?float $drawOff,
    ) {
    }

    /** @param ?Volume $topUp from one dip to the other; below nothing where too much is in it */
    public static function of(OilPour $pour, Volume $capacity, ?Length $dip, ?Length $target, ?Volume $topUp): self
    {
        [$first, $then] = [$pour->first()->litres, $pour->then()->litres];
        $whole = max($capacity->litres, $first + $then);

        return new self(
            $capacity->litres, new Pour($first, 100 * $first / $whole), new Pour($then, 100 * $then / $whole), $dip?->millimetres,
            $target?->millimetres,
            null === $dip ? 0.0 : 1.35 * max($dip->millimetres, $target->millimetres ?? 0.0, 10.0),
            null === $topUp ? null : max(0.0, $topUp->litres),
            null === $topUp || $topUp->litres >= -OilPour::NOTHING ? null : -$topUp->litres,
        );
    }
}
