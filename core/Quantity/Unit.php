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
    case NewtonMillimetre = 'N·mm';
    case KilonewtonMetre = 'kN·m';
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
    case TechnicalAtmosphere = 'kgf/cm²';
    case Atmosphere = 'atm';
    case InchWater = 'inH2O';
    case Litre = 'L';
    case Millilitre = 'mL';
    case Quart = 'qt';
    case Pint = 'pt';
    case Gallon = 'gal';
    case FluidOunce = 'US fl oz';
    case ImperialPint = 'imp pt';
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
            self::KilogramCentimetre, self::NewtonCentimetre, self::DecanewtonMetre, self::NewtonMillimetre,
            self::KilonewtonMetre => Kind::Torque,
            self::Millimetre, self::Centimetre, self::Metre1, self::Inch, self::Thou, self::Foot, self::Micrometre => Kind::Length,
            self::Degree, self::Turn, self::Flat, self::Radian => Kind::Angle,
            self::Kilopascal, self::Bar, self::Millibar, self::Psi, self::InchMercury, self::MillimetreMercury,
            self::MegapascalPressure, self::Pascal, self::TechnicalAtmosphere, self::Atmosphere, self::InchWater => Kind::Pressure,
            self::Litre, self::Millilitre, self::Quart, self::Pint, self::Gallon, self::FluidOunce,
            self::ImperialPint, self::ImperialQuart, self::ImperialGallon => Kind::Volume,
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
            self::NewtonMillimetre => 0.001,
            self::KilonewtonMetre => 1000.0,
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
            self::TechnicalAtmosphere => 98.0665,
            self::Atmosphere => 101.325,
            self::InchWater => 0.24908891, // conventional water at 4 °C
            self::Millilitre => 0.001,
            self::Quart => 0.946352946,
            self::Pint => 0.473176473,
            self::Gallon => 3.785411784,
            self::FluidOunce => 0.0295735295625,
            self::ImperialPint => 0.56826125,
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
            self::PoundFoot => self::pairs(
                ['lbf', 'lb', 'lbs', 'pound', 'pounds', 'poundsforce', 'poundforce', '#'], ['ft', 'foot', 'feet'],
            ),
            self::PoundInch => self::pairs(
                ['lbf', 'lb', 'lbs', 'pound', 'pounds', 'poundsforce', 'poundforce', '#'], ['in', 'inch', 'inches'],
            ),
            self::OunceInch => self::pairs(['ozf', 'oz', 'ounce', 'ounces'], ['in', 'inch', 'inches']),
            self::KilogramMetre => [
                'kgfm', 'kgm', 'mkg', 'mkgf', 'kpm', 'mkp', 'kilogrammetre', 'kilogrammetres', 'kilogrammeter', 'kilogrammeters',
            ],
            self::KilogramCentimetre => ['kgfcm', 'kgcm', 'cmkg', 'cmkgf'],
            self::NewtonCentimetre => ['ncm', 'newtoncentimetre', 'newtoncentimetres', 'newtoncentimeter', 'newtoncentimeters'],
            self::DecanewtonMetre => ['danm', 'decanewtonmetre', 'decanewtonmetres'],
            self::NewtonMillimetre => ['nmm', 'newtonmillimetre', 'newtonmillimetres', 'newtonmillimeter', 'newtonmillimeters'],
            self::KilonewtonMetre => ['knm', 'kilonewtonmetre', 'kilonewtonmetres', 'kilonewtonmeter', 'kilonewtonmeters'],
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
            self::Psi => ['psi', 'lb/in2', 'lbf/in2', 'psig', 'lbs/in2', 'lb/sqin', 'lbf/sqin', 'poundspersquareinch'],
            self::InchMercury => ['inhg', 'inchhg', 'incheshg', '"hg', 'inchesofmercury', 'inchmercury', 'inofhg', 'inchesofhg', '"ofhg'],
            self::MillimetreMercury => ['mmhg', 'torr'],
            self::MegapascalPressure => ['mpa'],
            self::Pascal => ['pa', 'pascal', 'pascals'],
            self::TechnicalAtmosphere => ['kgf/cm2', 'kg/cm2', 'kgfcm2', 'kgcm2', 'kp/cm2', 'kgf/sqcm', 'kg/sqcm', 'at'],
            self::Atmosphere => ['atm', 'atmosphere', 'atmospheres'],
            self::InchWater => ['inh2o', 'inchh2o', 'inchesh2o', 'inwg', 'inwc', '"h2o', 'inchesofwater'],
            self::Litre => ['l', 'litre', 'litres', 'liter', 'liters', 'ltr', 'ltrs', 'dm3'],
            self::Millilitre => ['ml', 'cc', 'cm3', 'millilitre', 'millilitres', 'milliliter', 'milliliters'],
            self::Quart => self::measured(['', 'us', 'usliquid'], ['qt', 'qts', 'quart', 'quarts']),
            self::Pint => self::measured(['', 'us', 'usliquid'], ['pt', 'pts', 'pint', 'pints']),
            self::Gallon => self::measured(['', 'us', 'usliquid'], ['gal', 'gals', 'gallon', 'gallons']),
            self::FluidOunce => self::measured(['', 'us'], ['floz', 'fluidoz', 'fluidounce', 'fluidounces']),
            self::ImperialPint => self::measured(['imp', 'imperial', 'uk', 'british'], ['pt', 'pts', 'pint', 'pints']),
            self::ImperialQuart => self::measured(['imp', 'imperial', 'uk', 'british'], ['qt', 'qts', 'quart', 'quarts']),
            self::ImperialGallon => self::measured(['imp', 'imperial', 'uk', 'british'], ['gal', 'gals', 'gallon', 'gallons']),
            self::Celsius => ['°c', 'c', 'degc', 'celsius', 'degreec', 'degreesc', 'degreecelsius', 'degreescelsius', '℃'],
            self::Fahrenheit => ['°f', 'f', 'degf', 'fahrenheit', 'degreef', 'degreesf', 'degreefahrenheit', 'degreesfahrenheit', '℉'],
            self::Kelvin => ['k', 'kelvin'],
            self::Percent => ['%', 'percent', 'pct', 'percents', 'vol%', '%vol', '%byvolume', 'percentbyvolume', '%v/v', 'percentage'],
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
     * Both orders of a product: “lbf ft” and “ft lbf” are the same torque, and so is a stroke by which nothing is divided.
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
                array_push($all, $l.$r, $r.$l, $l.'/'.$r, $r.'/'.$l);
            }
        }

        return $all;
    }

    /**
     * Every name with every country before and behind it: “US gal”, “gal (US)”.
     *
     * @param list<string> $countries
     * @param list<string> $names
     *
     * @return list<string>
     */
    private static function measured(array $countries, array $names): array
    {
        $all = [];
        foreach ($names as $name) {
            foreach ($countries as $country) {
                array_push($all, $country.$name, ...('' === $country ? [] : [$name.$country, $name.'('.$country.')']));
            }
        }

        return $all;
    }
}
