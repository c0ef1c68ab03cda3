<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** Dry air as an ideal gas: Pa, K, kg, m. κ 1.4, R 287.05 J/(kg K). Source: ISO 2533; isentropic flow, ISO 9300. */
final readonly class Gas
{
    public const KAPPA = 1.4;
    public const R = 287.05;
    /** Over the pressure outside, from which a hole flows as fast as it can. */
    public const CHOKED = 1.893;
    public const ZERO = 273.15;

    /** kg/m³ */
    public static function density(float $pascals, float $kelvin): float
    {
        return $pascals / (self::R * $kelvin);
    }

    /** Mass flux through a smooth throat, kg/(s m²), from a vessel at rest into the air outside. */
    public static function flux(float $inside, float $outside, float $kelvin): float
    {
        $k = self::KAPPA;
        if ($inside <= $outside) {
            return 0.0;
        }
        if ($inside / $outside >= self::CHOKED) {
            return $inside * sqrt($k / (self::R * $kelvin)) * (2 / ($k + 1)) ** (($k + 1) / (2 * ($k - 1)));
        }
        $r = $outside / $inside;

        return $inside * sqrt(2 * $k / (($k - 1) * self::R * $kelvin) * ($r ** (2 / $k) - $r ** (($k + 1) / $k)));
    }

    /** m/s */
    public static function sound(float $kelvin): float
    {
        return sqrt(self::KAPPA * self::R * $kelvin);
    }

    /** Dynamic viscosity, Pa s (Sutherland). */
    public static function viscosity(float $kelvin): float
    {
        return 1.458e-6 * $kelvin ** 1.5 / ($kelvin + 110.4);
    }
}
