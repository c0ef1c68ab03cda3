<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;

/** The note of a plucked free span: T = 4 m L² f², a string between two pulleys. m in kg a metre, f in Hz. */
final readonly class SpanNote
{
    /** kg a metre and rib, by section: working values for a rubber ribbed belt. */
    private const MASS = ['PH' => 0.005, 'PJ' => 0.009, 'PK' => 0.019, 'PL' => 0.036, 'PM' => 0.11];

    public static function mass(BeltSection $section, int $ribs): float
    {
        return self::MASS[$section->name] * $ribs;
    }

    public static function tension(float $mass, Length $span, float $frequency): Force
    {
        return Force::newtons(4 * $mass * ($span->millimetres / 1000) ** 2 * $frequency ** 2);
    }

    /** Hz. */
    public static function frequency(float $mass, Length $span, Force $tension): float
    {
        return sqrt($tension->newtons / $mass) / (2 * $span->millimetres / 1000);
    }
}
