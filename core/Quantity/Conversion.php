<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A quantity somebody wrote with its unit, said in the other units of its kind. */
final readonly class Conversion
{
    /** In the order a workshop asks for them. */
    private const UNITS = [
        'torque' => [Unit::NewtonMetre, Unit::PoundFoot, Unit::PoundInch, Unit::KilogramMetre],
        'length' => [Unit::Millimetre, Unit::Inch, Unit::Thou, Unit::Centimetre, Unit::Foot],
        'angle' => [Unit::Degree, Unit::Turn, Unit::Flat, Unit::Radian],
        'pressure' => [Unit::Kilopascal, Unit::Bar, Unit::Psi, Unit::InchMercury, Unit::Millibar],
        'volume' => [Unit::Litre, Unit::Millilitre, Unit::Quart, Unit::Pint, Unit::ImperialPint, Unit::Gallon],
        'temperature' => [Unit::Celsius, Unit::Fahrenheit, Unit::Kelvin],
        'force' => [Unit::Newton, Unit::Kilonewton, Unit::PoundForce, Unit::KilogramForce],
        'stress' => [Unit::Megapascal, Unit::Ksi],
        'distance' => [Unit::Kilometre, Unit::Mile],
        'altitude' => [Unit::Metre, Unit::FootAltitude],
        'duration' => [Unit::Minute, Unit::Second, Unit::Hour],
        'mass' => [Unit::Kilogram, Unit::Pound, Unit::Tonne],
        'stiffness' => [Unit::NewtonPerMillimetre, Unit::PoundPerInch],
        'velocity' => [Unit::MetrePerSecond, Unit::KilometrePerHour, Unit::MilePerHour],
        'power' => [Unit::Kilowatt, Unit::MetricHorsepower, Unit::Horsepower],
    ];
    private const US = [Unit::Quart, Unit::Pint, Unit::Gallon];

    /** @param list<string> $others with their units, the one that was written left out */
    private function __construct(public Kind $kind, public string $written, public array $others)
    {
    }

    /**
     * What a text may mean; nothing where it is no quantity, or a bare number that could be anything.
     *
     * @return list<self>
     */
    public static function of(string $text): array
    {
        $found = [];
        foreach (1 === preg_match('~[0-9½¼¾⅛].*[a-z°%"″”′\'Ω#]~iu', $text) ? Kind::cases() : [] as $kind) {
            try {
                $figure = Notation::read($kind, $text);
            } catch (InvalidQuantity) {
                // It is no quantity of this kind, and may be one of another.
                continue;
            }
            $units = array_filter(self::UNITS[$kind->value] ?? [], static fn (Unit $unit): bool => $unit !== $figure->unit);
            [] === $units || $found[] = new self($kind, trim($text), array_values(array_map(
                static fn (Unit $unit): string => self::said($figure->quantity, $unit), $units,
            )));
        }

        return $found;
    }

    private static function said(Quantity $quantity, Unit $unit): string
    {
        return Digits::significant($quantity->in($unit), 4, true).Digits::GROUP
            .(in_array($unit, self::US, true) ? 'US'.Digits::GROUP : '').$unit->symbol();
    }
}
