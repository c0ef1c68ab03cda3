<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Mass;

/**
 * What each leg of a sling carries. Two legs balance sideways: T1 = F sin θ2/sin(θ1 + θ2). Of three or more only two can be
 * counted on: each is taken at F/(2 cos θ).
 */
final readonly class Sling
{
    /**
     * @param list<Leg> $legs
     *
     * @return list<Force> in the order of the legs
     */
    public static function tensions(Mass $mass, array $legs): array
    {
        $load = $mass->weight()->newtons;
        $angles = array_map(static fn (Leg $leg): float => $leg->angle->radians(), $legs);
        if (2 === count($angles)) {
            [$one, $two] = $angles;
            $sum = sin($one + $two);
            // Both upright share it.
            $shares = abs($sum) < 1e-9 ? [0.5, 0.5] : [sin($two) / $sum, sin($one) / $sum];

            return [Force::newtons($load * $shares[0]), Force::newtons($load * $shares[1])];
        }
        $legsCounted = 1 === count($angles) ? 1 : 2;

        return array_map(static fn (float $angle): Force => Force::newtons($load / ($legsCounted * cos($angle))), $angles);
    }
}
