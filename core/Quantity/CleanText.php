<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * Text from a keyboard, a page or a printed book in one form: plain spaces, hyphens, quotes and degree signs.
 *
 * Digits of other scripts are refused by name: they look like numbers and would be read as none, or cut a number short.
 */
final readonly class CleanText
{
    public const FRACTIONS = [
        '½' => [1, 2], '¼' => [1, 4], '¾' => [3, 4], '⅛' => [1, 8], '⅜' => [3, 8], '⅝' => [5, 8], '⅞' => [7, 8], '⅓' => [1, 3],
        '⅔' => [2, 3],
        '⅙' => [1, 6], '⅚' => [5, 6], '⅕' => [1, 5], '⅖' => [2, 5], '⅗' => [3, 5], '⅘' => [4, 5], '⅒' => [1, 10],
    ];
    private const PLAIN = [
        "\u{00A0}" => ' ', "\u{2007}" => ' ', "\u{2008}" => ' ', "\u{2009}" => ' ', "\u{200A}" => ' ', "\u{202F}" => ' ', "\u{3000}" => ' ',
        "\u{2060}" => '', "\u{200B}" => '', "\u{FEFF}" => '', "\u{00AD}" => '',
        '“' => '"', '”' => '"', '„' => '"', '‟' => '"', '″' => '"', '‶' => '"', '＂' => '"', "''" => '"',
        '’' => "'", '‘' => "'", '‛' => "'", '′' => "'", '‵' => "'", '´' => "'", '`' => "'",
        '−' => '-', '–' => '-', '—' => '-', '‐' => '-', '‑' => '-', '‒' => '-', '⁄' => '/', '∕' => '/',
        '˚' => '°', 'º' => '°', '∘' => '°', 'ᵒ' => '°', '℃' => '°C', '℉' => '°F', '％' => '%',
        '²' => '2', '³' => '3', '…' => '..',
    ];

    /** @throws InvalidQuantity for a digit of another script, or bytes that are no text */
    public static function of(string $text): string
    {
        // What a keyboard types needs no cleaning.
        if (1 === preg_match('~\A[\x20-\x7e·°]*\z~u', $text)) {
            return trim(str_replace("''", '"', $text));
        }
        mb_check_encoding($text, 'UTF-8') || throw InvalidQuantity::noText($text);
        if (1 === preg_match('~(?![0-9²³])\p{N}~u', str_replace(array_keys(self::FRACTIONS), ' ', $text), $m)) {
            throw InvalidQuantity::foreignDigit($text, $m[0]);
        }

        return trim(strtr($text, self::PLAIN));
    }
}
