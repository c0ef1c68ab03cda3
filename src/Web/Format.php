<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Show;
use Twig\Attribute\AsTwigFilter;
use Twig\Attribute\AsTwigFunction;

/** How figures and times are shown: a thin space before the unit, no more digits than are worth reading. */
final readonly class Format
{
    public const THIN = "\u{2060}\u{2009}\u{2060}";
    private const FIXED = "\u{00A0}";

    /** Three significant digits, at least the whole number. */
    #[AsTwigFilter('sig')]
    public static function significant(float $value, int $digits = 3): string
    {
        if (abs($value) < 1e-12) {
            return '0';
        }
        $decimals = max(0, min(4, $digits - 1 - (int) floor(log10(abs($value)))));

        return number_format($value, $decimals, '.', self::THIN);
    }

    /** As it was entered: no zeros behind, no more than four digits. */
    #[AsTwigFilter('plain')]
    public static function plain(float $value): string
    {
        return Show::n($value);
    }

    /** A torque for the dial: one decimal under 100 N·m. */
    #[AsTwigFilter('torque')]
    public static function torque(float $newtonMetres): string
    {
        return number_format($newtonMetres, $newtonMetres < 100 ? 1 : 0, '.', '');
    }

    #[AsTwigFilter('poundfeet')]
    public static function poundFeet(float $newtonMetres): string
    {
        return self::significant(Quantity::torque($newtonMetres)->in(Unit::PoundFoot)).self::THIN.'lbf·ft';
    }

    #[AsTwigFilter('quarts')]
    public static function quarts(float $litres): string
    {
        return self::significant(Quantity::volume($litres)->in(Unit::Quart)).self::THIN.'US'.self::THIN.'qt';
    }

    #[AsTwigFilter('inhg')]
    public static function inchesMercury(float $kilopascals): string
    {
        return self::significant(Quantity::base(Kind::Pressure, $kilopascals)->in(Unit::InchMercury)).self::THIN.'inHg';
    }

    /** “2 h 40 min”, “25 min”. */
    #[AsTwigFilter('hours')]
    public static function hours(float $minutes): string
    {
        $whole = (int) round(max(0.0, $minutes));
        if ($whole < 60) {
            return $whole.self::FIXED.'min';
        }
        $rest = 5 * (int) round(($whole % 60) / 5);
        $hours = intdiv($whole, 60) + intdiv($rest, 60);

        return 0 === $rest % 60 ? $hours.self::FIXED.'h' : $hours.self::FIXED.'h'.self::FIXED.($rest % 60).self::FIXED.'min';
    }

    /** A value of a sum in words: number, thin space, the unit as people write it. */
    #[AsTwigFilter('unit')]
    public static function unit(string $unit): string
    {
        return Unit::tryFrom($unit)?->symbol() ?? ('ratio' === $unit || 'count' === $unit ? '' : $unit);
    }

    #[AsTwigFunction('other_unit')]
    public static function otherUnit(float $value, string $unit): string
    {
        $known = Unit::tryFrom($unit);

        return match ($known?->kind()) {
            Kind::Torque => self::poundFeet($value),
            Kind::Volume => self::quarts($value),
            Kind::Temperature => self::significant(Quantity::of($value, Unit::Celsius)->in(Unit::Fahrenheit)).self::THIN.'°F',
            Kind::Pressure => self::significant(Quantity::of($value, Unit::Kilopascal)->in(Unit::Psi)).self::THIN.'psi',
            default => '',
        };
    }
}
