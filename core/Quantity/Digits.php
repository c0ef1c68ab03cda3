<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * How numbers are printed, everywhere: a point for decimals, a thin space between thousands, the same decimals for the same kind.
 * A value comes in the unit it is printed in.
 */
final readonly class Digits
{
    public const GROUP = "\u{202F}";

    public static function fixed(float $value, int $decimals): string
    {
        $text = number_format(abs($value), max(0, $decimals), '.', self::GROUP);

        return ($value < 0.0 && 1 === preg_match('~[1-9]~', $text) ? '−' : '').$text;
    }

    /** Enough digits to follow, at least the whole number; zeros behind the point are cut off where that is wanted. */
    public static function significant(float $value, int $digits = 3, bool $cut = false): string
    {
        if (abs($value) < 1e-12) {
            return '0';
        }
        $text = self::fixed($value, min(8, $digits - 1 - (int) floor(log10(abs($value)))));

        return $cut && str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }

    /** A figure of a kind, in its base unit: torque to a tenth below 100 N·m, volume to a hundredth of a litre, else three digits. */
    public static function of(Kind $kind, float $value): string
    {
        return match ($kind) {
            Kind::Torque => self::fixed($value, abs($value) < 99.95 ? 1 : 0),
            Kind::Volume => self::fixed($value, 2),
            default => self::significant($value, 3),
        };
    }
}
