<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * Air pressure where the work is done, absolute: by the barometer where there is one, else by the altitude.
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
        return new self(Pressure::kilopascals(self::SEA_LEVEL * (1 - 2.25577e-5 * $altitude) ** 5.25588), $altitude);
    }

    /** @param Pressure $barometer as it stands here and not reduced to the sea */
    public static function read(Pressure $barometer): self
    {
        return new self($barometer, null);
    }
}
