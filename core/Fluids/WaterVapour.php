<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;

/** At what absolute pressure water boils, and back. Source: the Antoine equation with its two usual ranges, split at 100 °C. */
final readonly class WaterVapour
{
    private const MMHG = 0.133322387415;
    private const BELOW = [8.07131, 1730.63, 233.426];
    private const ABOVE = [8.14019, 1810.94, 244.485];
    private const SPLIT = 100.0;

    public static function pressure(Temperature $temperature): Pressure
    {
        [$a, $b, $c] = $temperature->celsius <= self::SPLIT ? self::BELOW : self::ABOVE;

        return Pressure::kilopascals(self::MMHG * 10 ** ($a - $b / ($c + $temperature->celsius)));
    }

    /** The two ranges leave half a percent of pressure between them at 100 °C; anything there is 100 °C. */
    public static function temperature(Pressure $pressure): Temperature
    {
        $below = self::solved(self::BELOW, $pressure->kilopascals);

        return Temperature::celsius($below <= self::SPLIT ? $below : max(self::SPLIT, self::solved(self::ABOVE, $pressure->kilopascals)));
    }

    /** @param array{float, float, float} $range */
    private static function solved(array $range, float $pressure): float
    {
        [$a, $b, $c] = $range;

        return $b / ($a - log10($pressure / self::MMHG)) - $c;
    }
}
