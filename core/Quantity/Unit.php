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
    case Kilogram = 'kg';
    case Pound = 'lb';
    case Tonne = 't';
    case NewtonPerMillimetre = 'N/mm';
    case KilonewtonPerMetre = 'kN/m';
    case PoundPerInch = 'lbf/in';
    case PerMinute = 'rpm';
    case MetrePerSecond = 'm/s';
    case KilometrePerHour = 'km/h';
    case MilePerHour = 'mph';
    case Kilowatt = 'kW';
    case Watt = 'W';
    case MetricHorsepower = 'PS';
    case Horsepower = 'hp';
    case Hertz = 'Hz';
    case GramPerSecond = 'g/s';
    case KilogramPerSecond = 'kg/s';
    case KilogramPerHour = 'kg/h';
    case PoundPerMinute = 'lb/min';
    case Volt = 'V';
    case Millivolt = 'mV';
    case Kilovolt = 'kV';
    case Ampere = 'A';
    case Milliampere = 'mA';
    case One = '1';

    /** Base units in one of it, where that is not one. Exact by definition (SI brochure, NIST SP 811, appendix B). */
    private const FACTORS = [
        'lbf·ft' => 1.3558179483314004, // 0.3048 m × 4.4482216152605 N
        'lbf·in' => 0.1129848290276167,
        'ozf·in' => 0.007061551814226044,
        'kgf·m' => 9.80665,
        'kgf' => 9.80665,
        'kgf·cm' => 0.0980665,
        'N·cm' => 0.01,
        'daN·m' => 10.0,
        'N·mm' => 0.001,
        'kN·m' => 1000.0,
        'cm' => 10.0,
        'm length' => 1000.0,
        'in' => 25.4,
        'thou' => 0.0254,
        'ft' => 304.8,
        'µm' => 0.001,
        'turn' => 360.0,
        'flat' => 60.0,
        'rad' => 57.29577951308232,
        'bar' => 100.0,
        'mbar' => 0.1,
        'psi' => 6.894757293168361,
        'inHg' => 3.386388640341, // conventional mercury at 0 °C
        'mmHg' => 0.133322387415,
        'MPa pressure' => 1000.0,
        'Pa' => 0.001,
        'kgf/cm²' => 98.0665,
        'atm' => 101.325,
        'inH2O' => 0.24908891, // conventional water at 4 °C
        'mL' => 0.001,
        'qt' => 0.946352946,
        'pt' => 0.473176473,
        'gal' => 3.785411784,
        'US fl oz' => 0.0295735295625,
        'imp pt' => 0.56826125,
        'imp qt' => 1.1365225,
        'imp gal' => 4.54609,
        'degF' => 5 / 9,
        'kN' => 1000.0,
        'lbf' => 4.4482216152605,
        'ksi' => 6.894757293168361,
        'mi' => 1.609344,
        'ft altitude' => 0.3048,
        's' => 1 / 60,
        'h' => 60.0,
        'd' => 1440.0,
        'lb' => 0.45359237,
        't' => 1000.0,
        'lbf/in' => 0.1751268352464764, // 4.4482216152605 N / 25.4 mm
        'km/h' => 1 / 3.6,
        'mph' => 0.44704,
        'W' => 0.001,
        'PS' => 0.73549875, // 75 kgf·m/s
        'hp' => 0.74569987158227, // 550 ft·lbf/s
        'kg/s' => 1000.0,
        'kg/h' => 1 / 3.6,
        'lb/min' => 7.5598728333333, // 453.59237 g / 60 s
        'mV' => 0.001,
        'kV' => 1000.0,
        'mA' => 0.001,
    ];
    /** What people write for it, already squeezed: lower case, without spaces, dots, hyphens. */
    private const SPELLINGS = [
        'N·m' => ['nm', 'newtonmetre', 'newtonmetres', 'newtonmeter', 'newtonmeters'],
        'kgf·m' => ['kgfm', 'kgm', 'mkg', 'mkgf', 'kpm', 'mkp', 'kilogrammetre', 'kilogrammetres', 'kilogrammeter', 'kilogrammeters'],
        'kgf·cm' => ['kgfcm', 'kgcm', 'cmkg', 'cmkgf'],
        'N·cm' => ['ncm', 'newtoncentimetre', 'newtoncentimetres', 'newtoncentimeter', 'newtoncentimeters'],
        'daN·m' => ['danm', 'decanewtonmetre', 'decanewtonmetres'],
        'N·mm' => ['nmm', 'newtonmillimetre', 'newtonmillimetres', 'newtonmillimeter', 'newtonmillimeters'],
        'kN·m' => ['knm', 'kilonewtonmetre', 'kilonewtonmetres', 'kilonewtonmeter', 'kilonewtonmeters'],
        'mm' => ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'],
        'cm' => ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'],
        'm length' => ['m', 'metre', 'metres', 'meter', 'meters'],
        'm' => ['m', 'metre', 'metres', 'meter', 'meters'],
        'in' => ['in', 'inch', 'inches', '"', '″'],
        'thou' => ['thou', 'thous', 'mil', 'mils', 'thousandth', 'thousandths'],
        'ft' => ['ft', 'foot', 'feet', "'", '′'],
        'ft altitude' => ['ft', 'foot', 'feet', "'", '′'],
        'µm' => ['µm', 'μm', 'um', 'micron', 'microns', 'micrometre', 'micrometres'],
        'deg' => ['deg', '°', 'degree', 'degrees', 'degs'],
        'turn' => ['turn', 'turns', 'rev', 'revs', 'revolution', 'revolutions'],
        'flat' => ['flat', 'flats'],
        'rad' => ['rad', 'radian', 'radians'],
        'kPa' => ['kpa', 'kilopascal', 'kilopascals'],
        'bar' => ['bar', 'bars'],
        'mbar' => ['mbar', 'hpa'],
        'psi' => ['psi', 'lb/in2', 'lbf/in2', 'psig', 'lbs/in2', 'lb/sqin', 'lbf/sqin', 'poundspersquareinch'],
        'inHg' => ['inhg', 'inchhg', 'incheshg', '"hg', 'inchesofmercury', 'inchmercury', 'inofhg', 'inchesofhg', '"ofhg'],
        'mmHg' => ['mmhg', 'torr'],
        'MPa pressure' => ['mpa'],
        'Pa' => ['pa', 'pascal', 'pascals'],
        'kgf/cm²' => ['kgf/cm2', 'kg/cm2', 'kgfcm2', 'kgcm2', 'kp/cm2', 'kgf/sqcm', 'kg/sqcm', 'at'],
        'atm' => ['atm', 'atmosphere', 'atmospheres'],
        'inH2O' => ['inh2o', 'inchh2o', 'inchesh2o', 'inwg', 'inwc', '"h2o', 'inchesofwater'],
        'L' => ['l', 'litre', 'litres', 'liter', 'liters', 'ltr', 'ltrs', 'dm3'],
        'mL' => ['ml', 'cc', 'cm3', 'millilitre', 'millilitres', 'milliliter', 'milliliters'],
        'degC' => ['°c', 'c', 'degc', 'celsius', 'degreec', 'degreesc', 'degreecelsius', 'degreescelsius', '℃'],
        'degF' => ['°f', 'f', 'degf', 'fahrenheit', 'degreef', 'degreesf', 'degreefahrenheit', 'degreesfahrenheit', '℉'],
        'K' => ['k', 'kelvin'],
        'percent' => ['%', 'percent', 'pct', 'percents', 'vol%', '%vol', '%byvolume', 'percentbyvolume', '%v/v', 'percentage'],
        'N' => ['n', 'newton', 'newtons'],
        'kN' => ['kn', 'kilonewton', 'kilonewtons'],
        'lbf' => ['lbf', 'lb', 'lbs', 'pound', 'pounds'],
        'kgf' => ['kgf', 'kg', 'kp'],
        'MPa' => ['mpa', 'n/mm2', 'nmm2'],
        'ksi' => ['ksi'],
        'km' => ['km', 'kms', 'kilometre', 'kilometres', 'kilometer', 'kilometers'],
        'mi' => ['mi', 'mile', 'miles'],
        'min' => ['min', 'mins', 'minute', 'minutes'],
        's' => ['s', 'sec', 'secs', 'second', 'seconds'],
        'h' => ['h', 'hr', 'hrs', 'hour', 'hours'],
        'd' => ['d', 'day', 'days'],
        'kg' => ['kg', 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms', 'kilogramme', 'kilogrammes'],
        'lb' => ['lb', 'lbs', 'pound', 'pounds'],
        't' => ['t', 'tonne', 'tonnes'],
        'N/mm' => ['n/mm', 'newtonspermillimetre', 'newtonpermillimetre'],
        'kN/m' => ['kn/m'],
        'lbf/in' => ['lbf/in', 'lb/in', 'lbs/in', 'lbsperinch'],
        'rpm' => ['rpm', 'r/min', '1/min', '/min', 'revs/min', 'revsperminute', 'revolutionsperminute'],
        'm/s' => ['m/s', 'metrespersecond', 'meterspersecond'],
        'km/h' => ['km/h', 'kmh', 'kph'],
        'mph' => ['mph', 'mi/h', 'milesperhour'],
        'kW' => ['kw', 'kilowatt', 'kilowatts'],
        'W' => ['w', 'watt', 'watts'],
        'g/s' => ['g/s', 'gramspersecond', 'grampersecond'],
        'kg/s' => ['kg/s', 'kilogramspersecond'],
        'kg/h' => ['kg/h', 'kg/hr', 'kilogramsperhour'],
        'lb/min' => ['lb/min', 'lbs/min', 'poundsperminute'],
        'PS' => ['ps', 'metrichp', 'cv'],
        'hp' => ['hp', 'bhp', 'horsepower'],
        'Hz' => ['hz', 'hertz', '1/s'],
        'V' => ['v', 'volt', 'volts'],
        'mV' => ['mv', 'millivolt', 'millivolts'],
        'kV' => ['kv', 'kilovolt', 'kilovolts'],
        'A' => ['a', 'amp', 'amps', 'ampere', 'amperes'],
        'mA' => ['ma', 'milliamp', 'milliamps', 'milliampere', 'milliamperes'],
        '1' => ['', 'x'],
    ];

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
            self::Kilogram, self::Pound, self::Tonne => Kind::Mass,
            self::NewtonPerMillimetre, self::KilonewtonPerMetre, self::PoundPerInch => Kind::Stiffness,
            self::PerMinute => Kind::Speed,
            self::MetrePerSecond, self::KilometrePerHour, self::MilePerHour => Kind::Velocity,
            self::Kilowatt, self::Watt, self::MetricHorsepower, self::Horsepower => Kind::Power,
            self::Hertz => Kind::Frequency,
            self::Volt, self::Millivolt, self::Kilovolt => Kind::Voltage,
            self::Ampere, self::Milliampere => Kind::Current,
            self::GramPerSecond, self::KilogramPerSecond, self::KilogramPerHour, self::PoundPerMinute => Kind::MassFlow,
            self::One => Kind::Number,
        };
    }

    public function factor(): float
    {
        return self::FACTORS[$this->value] ?? 1.0;
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
        return self::SPELLINGS[$this->value] ?? match ($this) {
            self::PoundFoot => self::pairs(
                ['lbf', 'lb', 'lbs', 'pound', 'pounds', 'poundsforce', 'poundforce', '#'], ['ft', 'foot', 'feet'],
            ),
            self::PoundInch => self::pairs(
                ['lbf', 'lb', 'lbs', 'pound', 'pounds', 'poundsforce', 'poundforce', '#'], ['in', 'inch', 'inches'],
            ),
            self::OunceInch => self::pairs(['ozf', 'oz', 'ounce', 'ounces'], ['in', 'inch', 'inches']),
            self::Quart => self::measured(['', 'us', 'usliquid'], ['qt', 'qts', 'quart', 'quarts']),
            self::Pint => self::measured(['', 'us', 'usliquid'], ['pt', 'pts', 'pint', 'pints']),
            self::Gallon => self::measured(['', 'us', 'usliquid'], ['gal', 'gals', 'gallon', 'gallons']),
            self::FluidOunce => self::measured(['', 'us'], ['floz', 'fluidoz', 'fluidounce', 'fluidounces']),
            self::ImperialPint => self::measured(['imp', 'imperial', 'uk', 'british'], ['pt', 'pts', 'pint', 'pints']),
            self::ImperialQuart => self::measured(['imp', 'imperial', 'uk', 'british'], ['qt', 'qts', 'quart', 'quarts']),
            self::ImperialGallon => self::measured(['imp', 'imperial', 'uk', 'british'], ['gal', 'gals', 'gallon', 'gallons']),
            default => throw new \LogicException(sprintf('Nobody can write “%s”.', $this->value)),
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
