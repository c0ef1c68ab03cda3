<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * Reads the number at the head of a text: “17”, “17.50”, “7,5”, “3/16”, “1 3/4”, “1-3/4”, “2½”, “quarter”, “one and a half”.
 *
 * The step is the size of the last written digit, or one over the denominator.
 */
final readonly class WrittenNumber
{
    private const VULGAR = ['½' => [1, 2], '¼' => [1, 4], '¾' => [3, 4], '⅛' => [1, 8], '⅜' => [3, 8], '⅝' => [5, 8], '⅞' => [7, 8], '⅓' => [1, 3], '⅔' => [2, 3]];
    private const WORDS = ['a' => 1, 'an' => 1, 'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12];
    private const PARTS = ['half' => 2, 'third' => 3, 'quarter' => 4, 'sixth' => 6, 'eighth' => 8];

    private function __construct(public float $value, public float $step, public string $rest)
    {
    }

    /** @throws InvalidQuantity when a comma can be read two ways, or a denominator is zero */
    public static function read(string $text): ?self
    {
        $text = trim(strtr($text, ['−' => '-', '–' => '-', '⁄' => '/', "\u{00A0}" => ' ', "\u{2009}" => ' ', "\u{202F}" => ' ']));

        return self::readMixed($text) ?? self::readVulgar($text) ?? self::readDecimal($text) ?? self::readWords($text);
    }

    private static function readMixed(string $text): ?self
    {
        if (1 !== preg_match('~\A(?<sign>[-+]?)(?:(?<whole>\d{1,6})[\s-]+)?(?<num>\d{1,5})\s?/\s?(?<den>\d{1,5})(?![\d.,])(?<rest>.*)\z~us', $text, $m)) {
            return null;
        }
        $den = (int) $m['den'];
        0 !== $den || throw InvalidQuantity::notReadable(Kind::Number, $text);
        $value = (int) $m['whole'] + (int) $m['num'] / $den;

        return new self('-' === $m['sign'] ? -$value : $value, 1 / $den, $m['rest']);
    }

    private static function readVulgar(string $text): ?self
    {
        if (1 !== preg_match('~\A(?<whole>\d{0,6})\s*(?<part>[½¼¾⅛⅜⅝⅞⅓⅔])(?<rest>.*)\z~us', $text, $m)) {
            return null;
        }
        [$num, $den] = self::VULGAR[$m['part']];

        return new self((int) $m['whole'] + $num / $den, 1 / $den, $m['rest']);
    }

    private static function readDecimal(string $text): ?self
    {
        if (1 !== preg_match('~\A(?<number>[-+]?(?:\d{1,3}(?:[,\s\'’]\d{3})+(?:\.\d{1,20})?(?![\d])|\d{1,3}(?:\.\d{3})+,\d{1,12}|\d{1,20}(?:[.,]\d{1,20})?|[.,]\d{1,20}))(?<exp>e[-+]?\d{1,2}(?![\d]))?(?<rest>.*)\z~uis', $text, $m)) {
            return null;
        }
        $plain = self::withPoint($m['number']);
        $decimals = false === ($dot = strpos($plain, '.')) ? 0 : strlen($plain) - $dot - 1;
        $power = (int) substr($m['exp'], 1);

        return new self((float) $plain * 10 ** $power, 10 ** ($power - $decimals), $m['rest']);
    }

    /** A comma is a decimal comma, unless it can only separate thousands; where it can be either, the writer is asked. */
    private static function withPoint(string $number): string
    {
        if (1 === preg_match('~\A[-+]?[1-9]\d{0,2},\d{3}\z~', $number)) {
            throw InvalidQuantity::ambiguousNumber($number);
        }
        if (1 === preg_match('~\A[-+]?\d{1,3}(?:\.\d{3})+,\d+\z~', $number)) {
            return str_replace(['.', ','], ['', '.'], $number);
        }
        if (1 === preg_match('~\A[-+]?\d*,\d+\z~', $number)) {
            return str_replace(',', '.', $number);
        }

        return (string) preg_replace('~[,\s\'’]~u', '', $number);
    }

    private static function readWords(string $text): ?self
    {
        $count = implode('|', array_keys(self::WORDS));
        $part = implode('|', array_keys(self::PARTS));
        $pattern = "~\\A(?:(?:(?<num>{$count})[\\s-]+)?(?<den>{$part})s?(?:\\s+of\\s+an?)?|(?<whole>{$count})(?:\\s+and\\s+(?:(?<wnum>{$count})[\\s-]+)?(?<wden>{$part})s?)?)(?![a-z])(?<rest>.*)\\z~uis";
        if (1 !== preg_match($pattern, mb_strtolower($text), $m, \PREG_UNMATCHED_AS_NULL)) {
            return null;
        }
        if (null !== $m['den']) {
            $den = self::PARTS[$m['den']];

            return new self(self::WORDS[$m['num'] ?? 'one'] / $den, 1 / $den, (string) $m['rest']);
        }
        $den = null === $m['wden'] ? 1 : self::PARTS[$m['wden']];
        $extra = null === $m['wden'] ? 0 : self::WORDS[$m['wnum'] ?? 'one'] / $den;

        return new self(self::WORDS[(string) $m['whole']] + $extra, 1 / $den, (string) $m['rest']);
    }
}
