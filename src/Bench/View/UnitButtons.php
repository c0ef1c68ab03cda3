<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;

/** The units a reading is tapped in: a tablet's number pad has no letters. The unit that is asked for stands first. */
final readonly class UnitButtons
{
    /**
     * A factor of 0 stands for what no factor turns into the unit asked for: the server reads it.
     *
     * @return list<array{symbol: string, factor: float, offset: float}>
     */
    public static function for(Ask $ask): array
    {
        $units = match ($ask->kind) {
            Kind::Temperature => [Unit::Celsius, Unit::Fahrenheit],
            Kind::Pressure => [Unit::Kilopascal, Unit::Bar, Unit::Psi, Unit::InchMercury],
            Kind::Volume => [Unit::Litre, Unit::Millilitre, Unit::Quart],
            Kind::Length => [Unit::Millimetre, Unit::Inch, Unit::Thou],
            Kind::Duration => [Unit::Second, Unit::Minute],
            Kind::Torque => [Unit::NewtonMetre, Unit::PoundFoot],
            Kind::Percent => [Unit::Percent, Unit::Celsius, Unit::Fahrenheit],
            default => [],
        };
        usort($units, static fn (Unit $a, Unit $b): int => ($b->symbol() === $ask->unit ? 1 : 0) <=> ($a->symbol() === $ask->unit ? 1 : 0));

        return array_map(static fn (Unit $unit): array => [
            'symbol' => $unit->symbol(), 'factor' => $unit->kind() === $ask->kind ? $unit->factor() : 0.0, 'offset' => $unit->offset(),
        ], $units);
    }
}
