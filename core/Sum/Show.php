<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** Numbers for the working lines: enough digits to follow, no more. */
final readonly class Show
{
    public static function n(float $value, int $significant = 4): string
    {
        if (0.0 === $value) {
            return '0';
        }
        $decimals = max(0, $significant - 1 - (int) floor(log10(abs($value))));
        $text = number_format($value, min($decimals, 8), '.', '');

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }
}
