<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * The units people write. A unit is linear in the base unit of its kind: base = value × factor + offset.
 *
 * Factors are exact where the definition is: inch 25.4 mm, pound 0.45359237 kg, standard gravity 9.80665 m/s²
 * (BIPM SI brochure; NIST SP 811 appendix B).
 */
enum Unit: string
{
    case NewtonMetre = 'N·m';
    case PoundFoot = 'lbf·ft';
    case PoundInch = 'lbf·in';
    case OunceInch = 'ozf·in';
    case KilogramMetre = 'kgf·m';
    case KilogramCentimetre = 'kgf·cm';
    case NewtonCentimetre = 'N·cm';
    case DecanewtonMetre = 'daN·m';
    case Millimetre = 'mm';
    case Centimetre = 'cm';
    case Metre1 = 'm length';
    case Inch = 'in';
    case Thou = 'thou';
    case Foot = 'ft';
    case Micrometre = 'µm';
    case Degree = 'deg';
    case Turn = 'turn';
    case Flat = 'flat';
    case Radian = 'rad';
    case Kilopascal = 'kPa';
    case Bar = 'bar';
    case Millibar = 'mbar';
    case Psi = 'psi';
    case InchMercury = 'inHg';
    case MillimetreMercury = 'mmHg';
    case MegapascalPressure = 'MPa pressure';
    case Pascal = 'Pa';
    case Litre = 'L';
    case Millilitre = 'mL';
    case Quart = 'qt';
    case Pint = 'pt';
    case Gallon = 'gal';
    case ImperialQuart = 'imp qt';
    case ImperialGallon = 'imp gal';
    case Celsius = 'degC';
    case Fahrenheit = 'degF';
    case Kelvin = 'K';
    case Percent = 'percent';
    case Newton = 'N';
    case Kilonewton = 'kN';
    case PoundForce = 'lbf';
    case KilogramForce = 'kgf';
    case Megapascal = 'MPa';
    case Ksi = 'ksi';
    case Kilometre = 'km';
    case Mile = 'mi';
    case Metre = 'm';
    case FootAltitude = 'ft altitude';
    case Minute = 'min';
    case Second = 's';
    case Hour = 'h';
    case Day = 'd';
    case One = '1';

    public function kind(): Kind
    {
        return match ($this) {
            self::NewtonMetre, self::PoundFoot, self::PoundInch, self::OunceInch, self::KilogramMetre,
            self::KilogramCentimetre, self::NewtonCentimetre, self::DecanewtonMetre => Kind::Torque,
            self::Millimetre, self::Centimetre, self::Metre1, self::Inch, self::Thou, self::Foot, self::Micrometre => Kind::Length,
            self::Degree, self::Turn, self::Flat, self::Radian => Kind::Angle,
            self::Kilopascal, self::Bar, self::Millibar, self::Psi, self::InchMercury, self::MillimetreMercury,
            self::MegapascalPressure, self::Pascal => Kind::Pressure,
            self::Litre, self::Millilitre, self::Quart, self::Pint, self::Gallon, self::ImperialQuart, self::ImperialGallon => Kind::Volume,
            self::Celsius, self::Fahrenheit, self::Kelvin => Kind::Temperature,
            self::Percent => Kind::Percent,
            self::Newton, self::Kilonewton, self::PoundForce, self::KilogramForce => Kind::Force,
            self::Megapascal, self::Ksi => Kind::Stress,
            self::Kilometre, self::Mile => Kind::Distance,
            self::Metre, self::FootAltitude => Kind::Altitude,
            self::Minute, self::Second, self::Hour, self::Day => Kind::Duration,
            self::One => Kind::Number,
        };
    }

    public function factor(): float
    {
        return match ($this) {
            self::PoundFoot => 1.3558179483314004, // 0.3048 m × 4.4482216152605 N
            self::PoundInch => 0.1129848290276167,
            self::OunceInch => 0.007061551814226044,
            self::KilogramMetre, self::KilogramForce => 9.80665,
            self::KilogramCentimetre => 0.0980665,
            self::NewtonCentimetre => 0.01,
            self::DecanewtonMetre => 10.0,
            self::Centimetre => 10.0,
            self::Metre1 => 1000.0,
            self::Inch => 25.4,
            self::Thou => 0.0254,
            self::Foot => 304.8,
            self::Micrometre => 0.001,
            self::Turn => 360.0,
            self::Flat => 60.0,
            self::Radian => 57.29577951308232,
            self::Bar => 100.0,
            self::Millibar => 0.1,
            self::Psi => 6.894757293168361,
            self::InchMercury => 3.386388640341, // conventional mercury at 0 °C
            self::MillimetreMercury => 0.133322387415,
            self::MegapascalPressure => 1000.0,
            self::Pascal => 0.001,
            self::Millilitre => 0.001,
            self::Quart => 0.946352946,
            self::Pint => 0.473176473,
            self::Gallon => 3.785411784,
            self::ImperialQuart => 1.1365225,
            self::ImperialGallon => 4.54609,
            self::Fahrenheit => 5 / 9,
            self::Kilonewton => 1000.0,
            self::PoundForce => 4.4482216152605,
            self::Ksi => 6.894757293168361,
            self::Mile => 1.609344,
            self::FootAltitude => 0.3048,
            self::Second => 1 / 60,
            self::Hour => 60.0,
            self::Day => 1440.0,
            default => 1.0,
        };
    }

    public function offset(): float
    {
        return match ($this) {
            self::Fahrenheit => -160 / 9,
            self::Kelvin => -273.15,
            default => 0.0,
        };
    }

    /** The short name shown to a person. */
    public function symbol(): string
    {
        return match ($this) {
            self::Metre1 => 'm',
            self::MegapascalPressure => 'MPa',
            self::FootAltitude => 'ft',
            self::Degree => '°',
            self::Celsius => '°C',
            self::Fahrenheit => '°F',
            self::Percent => '%',
            self::One => '',
            default => $this->value,
        };
    }

    /**
     * What people write for it, already squeezed: lower case, without spaces, dots, hyphens.
     *
     * @return list<string>
     */
    public function spellings(): array
    {
        return match ($this) {
            self::NewtonMetre => ['nm', 'newtonmetre', 'newtonmetres', 'newtonmeter', 'newtonmeters'],
            self::PoundFoot => self::pairs(['lbf', 'lb', 'lbs', 'pound', 'pounds', 'poundsforce', 'poundforce', '#'], ['ft', 'foot', 'feet']),
            self::PoundInch => self::pairs(['lbf', 'lb', 'lbs', 'pound', 'pounds', 'poundsforce', 'poundforce', '#'], ['in', 'inch', 'inches']),
            self::OunceInch => self::pairs(['ozf', 'oz', 'ounce', 'ounces'], ['in', 'inch', 'inches']),
            self::KilogramMetre => ['kgfm', 'kgm', 'mkg', 'mkgf', 'kpm', 'mkp', 'kilogrammetre', 'kilogrammetres', 'kilogrammeter', 'kilogrammeters'],
            self::KilogramCentimetre => ['kgfcm', 'kgcm', 'cmkg', 'cmkgf'],
            self::NewtonCentimetre => ['ncm'],
            self::DecanewtonMetre => ['danm'],
            self::Millimetre => ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'],
            self::Centimetre => ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'],
            self::Metre1, self::Metre => ['m', 'metre', 'metres', 'meter', 'meters'],
            self::Inch => ['in', 'inch', 'inches', '"', '″'],
            self::Thou => ['thou', 'thous', 'mil', 'mils', 'thousandth', 'thousandths'],
            self::Foot, self::FootAltitude => ['ft', 'foot', 'feet', "'", '′'],
            self::Micrometre => ['µm', 'μm', 'um', 'micron', 'microns', 'micrometre', 'micrometres'],
            self::Degree => ['deg', '°', 'degree', 'degrees', 'degs'],
            self::Turn => ['turn', 'turns', 'rev', 'revs', 'revolution', 'revolutions'],
            self::Flat => ['flat', 'flats'],
            self::Radian => ['rad', 'radian', 'radians'],
            self::Kilopascal => ['kpa', 'kilopascal', 'kilopascals'],
            self::Bar => ['bar', 'bars'],
            self::Millibar => ['mbar', 'hpa'],
            self::Psi => ['psi', 'lb/in2', 'lbf/in2', 'psig'],
            self::InchMercury => ['inhg', 'inchhg', 'incheshg', '"hg', 'inchesofmercury', 'inchmercury'],
            self::MillimetreMercury => ['mmhg', 'torr'],
            self::MegapascalPressure => ['mpa'],
            self::Pascal => ['pa', 'pascal', 'pascals'],
            self::Litre => ['l', 'litre', 'litres', 'liter', 'liters', 'ltr', 'ltrs', 'dm3'],
            self::Millilitre => ['ml', 'cc', 'cm3', 'millilitre', 'millilitres', 'milliliter', 'milliliters'],
            self::Quart => ['qt', 'qts', 'quart', 'quarts', 'usqt'],
            self::Pint => ['pt', 'pts', 'pint', 'pints', 'uspt'],
            self::Gallon => ['gal', 'gals', 'gallon', 'gallons', 'usgal'],
            self::ImperialQuart => ['impqt', 'imperialquart', 'imperialquarts', 'ukqt'],
            self::ImperialGallon => ['impgal', 'imperialgallon', 'imperialgallons', 'ukgal'],
            self::Celsius => ['°c', 'c', 'degc', 'celsius', 'degreec', 'degreesc', 'degreecelsius', 'degreescelsius', '℃'],
            self::Fahrenheit => ['°f', 'f', 'degf', 'fahrenheit', 'degreef', 'degreesf', 'degreefahrenheit', 'degreesfahrenheit', '℉'],
            self::Kelvin => ['k', 'kelvin'],
            self::Percent => ['%', 'percent', 'pct', 'percents', 'vol%', '%vol'],
            self::Newton => ['n', 'newton', 'newtons'],
            self::Kilonewton => ['kn', 'kilonewton', 'kilonewtons'],
            self::PoundForce => ['lbf', 'lb', 'lbs', 'pound', 'pounds'],
            self::KilogramForce => ['kgf', 'kg', 'kp'],
            self::Megapascal => ['mpa', 'n/mm2', 'nmm2'],
            self::Ksi => ['ksi'],
            self::Kilometre => ['km', 'kms', 'kilometre', 'kilometres', 'kilometer', 'kilometers'],
            self::Mile => ['mi', 'mile', 'miles'],
            self::Minute => ['min', 'mins', 'minute', 'minutes'],
            self::Second => ['s', 'sec', 'secs', 'second', 'seconds'],
            self::Hour => ['h', 'hr', 'hrs', 'hour', 'hours'],
            self::Day => ['d', 'day', 'days'],
            self::One => ['', 'x'],
        };
    }

    /**
     * Both orders of a product: “lbf ft” and “ft lbf” are the same torque.
     *
     * @param list<string> $left
     * @param list<string> $right
     *
     * @return list<string>
     */
    private static function pairs(array $left, array $right): array
    {
        $all = [];
        foreach ($left as $l) {
            foreach ($right as $r) {
                $all[] = $l.$r;
                $all[] = $r.$l;
            }
        }

        return $all;
    }
}
