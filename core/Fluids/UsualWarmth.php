<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** How warm coolant is taken to be where nobody has measured it, °C. A guess to begin a sum from, never a figure to work by. */
final readonly class UsualWarmth
{
    /** In a workshop in the morning. */
    public const MORNING = 15.0;
    /** K that it runs above the temperature its thermostat begins to open at. */
    private const OVER_OPENING = 4.0;
    private const WARM = 92.0;

    /** Driven warm, by what its thermostat is rated at, °C; 0 where nobody knows that. */
    public static function driven(float $opens): float
    {
        return $opens > 0.0 ? $opens + self::OVER_OPENING : self::WARM;
    }
}
