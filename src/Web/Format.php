<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use Twig\Attribute\AsTwigFilter;

/** How figures and times are shown: a thin space before the unit, no more digits than are worth reading. */
final readonly class Format
{
    public const THIN = "\u{2060}\u{2009}\u{2060}";
    private const FIXED = "\u{00A0}";

    /** Three significant digits, at least the whole number. */
    #[AsTwigFilter('sig')]
    public static function significant(float $value, int $digits = 3): string
    {
        return Digits::significant($value, $digits);
    }

    /** Litres, to a hundredth. */
    #[AsTwigFilter('litres')]
    public static function litres(float $litres): string
    {
        return Digits::of(Kind::Volume, $litres);
    }

    /** A whole number with its thousands set apart. */
    #[AsTwigFilter('whole')]
    public static function whole(float $value): string
    {
        return Digits::fixed($value, 0);
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
        return Digits::of(Kind::Torque, $newtonMetres);
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
}
