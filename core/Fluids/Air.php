<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Working;

/**
 * Air pressure where the work is done, kPa absolute: by the barometer where there is one, else by the altitude.
 * Source: ISO 2533 (standard atmosphere).
 */
final readonly class Air
{
    public const SEA_LEVEL = 101.325;

    private function __construct(public float $pressure, public Working $working)
    {
    }

    /** @param float $altitude metres above the sea */
    public static function at(float $altitude): self
    {
        $pressure = self::SEA_LEVEL * (1 - 2.25577e-5 * $altitude) ** 5.25588;

        return new self(
            $pressure,
            new Working(
                'Air pressure here', 'p = 101.325 (1 − 2.25577·10⁻⁵ h)^5.25588', sprintf('h = %s m', Show::n($altitude)),
                sprintf('%s kPa', Show::n($pressure)), 'ISO 2533, standard atmosphere',
            ),
        );
    }

    /** @param float $barometer kPa, as it stands here and not reduced to the sea */
    public static function read(float $barometer): self
    {
        return new self(
            $barometer,
            new Working(
                'Air pressure here', 'p as read', sprintf('barometer %s kPa', Show::n($barometer)),
                sprintf('%s kPa', Show::n($barometer)), 'your barometer',
            ),
        );
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::quantity('altitude', 'Height above the sea', Kind::Altitude, '1200 m', 'Sea level where nothing is given.')->optional(),
            Field::quantity(
                'barometer', 'Barometer', Kind::Pressure, '87 kPa', 'As it stands here. It goes before the height.',
            )->optional(),
        ];
    }

    public static function from(Inputs $in): self
    {
        $altitude = $in->has('altitude') ? $in->between('altitude', Kind::Altitude, -500.0, 6000.0) : 0.0;

        return $in->has('barometer') ? self::read($in->between('barometer', Kind::Pressure, 30.0, 115.0)) : self::at($altitude);
    }
}
