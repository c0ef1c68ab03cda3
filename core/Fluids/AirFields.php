<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Working;

/** The fields several doors ask the air by, the air they name, and its working. */
final readonly class AirFields
{
    /** @return list<Field> */
    public static function all(): array
    {
        return [
            Field::quantity('altitude', 'Height above the sea', Kind::Altitude, '1200 m', 'Sea level where nothing is given.')->optional(),
            Field::quantity(
                'barometer', 'Barometer', Kind::Pressure, '87 kPa', 'As it stands here. It goes before the height.',
            )->optional(),
        ];
    }

    public static function read(Inputs $in): Air
    {
        $altitude = $in->has('altitude') ? $in->between('altitude', Kind::Altitude, -500.0, 6000.0) : 0.0;

        return $in->has('barometer') ? Air::read($in->pressure('barometer', 30.0, 115.0)) : Air::at($altitude);
    }

    public static function working(Air $air): Working
    {
        $pressure = Show::n($air->pressure->kilopascals);

        return null === $air->altitude
            ? new Working('Air pressure here', 'p as read', sprintf('barometer %s kPa', $pressure), $pressure.' kPa', 'your barometer')
            : Working::by(
                Air::byHeight($air->altitude), 'Air pressure here', 'kPa', 'ISO 2533, standard atmosphere',
                with: sprintf('h = %s m', Show::n($air->altitude)),
            );
    }
}
