<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Pressure;

/**
 * Air pressure where the work is done, absolute: by the barometer where there is one, else by the altitude in m.
 * Source: ISO 2533 (standard atmosphere).
 */
final readonly class Air
{
    /** kPa. */
    public const SEA_LEVEL = 101.325;

    /** @param ?float $altitude metres above the sea it was told by; null where a barometer was read */
    private function __construct(public Pressure $pressure, public ?float $altitude)
    {
    }

    /** @param float $altitude metres above the sea */
    public static function at(float $altitude): self
    {
        return new self(Pressure::kilopascals(self::byHeight($altitude)->value), $altitude);
    }

    /** kPa, from metres above the sea. */
    public static function byHeight(float $altitude): Formula
    {
        return Formula::of(
            'p = sea (1 − 2.25577·10⁻⁵ h)^5.25588', ['sea' => Term::fixed(self::SEA_LEVEL), 'h' => Term::of($altitude, 'm')]
        );
    }

    /** @param Pressure $barometer as it stands here and not reduced to the sea */
    public static function read(Pressure $barometer): self
    {
        return new self($barometer, null);
    }
}
