<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * Reads the number at the head of a clean text: 17, 17.50, 7,5, 3/16, 1 3/4, 1-3/4, 2½, quarter, one and a half.
 *
 * It has no unit yet. The step is the size of the last written digit, or one over the denominator.
 */
final readonly class WrittenNumber
{
    private const WORDS = [
        'a' => 1, 'an' => 1, 'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8,
        'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12,
    ];
    private const PARTS = ['half' => 2, 'halve' => 2, 'third' => 3, 'quarter' => 4, 'sixth' => 6, 'eighth' => 8, 'sixteenth' => 16];
    private const DECIMAL = '~\A(?<number>[-+]?(?:[0-9]{1,3}(?:[,\s\'][0-9]{3})+(?:\.[0-9]{1,20})?(?![0-9])'
        .'|[0-9]{1,3}(?:\.[0-9]{3})+,[0-9]{1,12}|[0-9]{1,20}(?:[.,][0-9]{1,20})?|[.,][0-9]{1,20}))'
        .'(?<exp>e[-+]?[0-9]{1,2}(?![0-9]))?(?<rest>.*)\z~uis';

    /** @param bool $isBareFraction nothing but a fraction such as 7/8, which between two figures can also be a stroke */
    private function __construct(
        public float $value, public float $step, public string $rest, public bool $isFraction = false,
        public bool $isBareFraction = false,
    ) {
    }

    /**
     * @param string $text as CleanText gives it
     * @param list<int> $denominators what may stand below the line; empty for anything
     *
     * @throws InvalidQuantity when a comma can be read two ways, or a denominator is zero
     */
    public static function read(string $text, array $denominators = []): ?self
    {
        $text = trim($text);

        return self::readMixed($text, $denominators) ?? self::readVulgar($text) ?? self::readDecimal($text) ?? self::readWords($text);
    }

    /** @param list<int> $denominators */
    private static function readMixed(string $text, array $denominators): ?self
    {
        $pattern = '~\A(?<sign>[-+]?)(?:(?<whole>[0-9]{1,6})(?:\s+|-))?'
            .'(?<num>[0-9]{1,5})\s?/\s?(?<den>[0-9]{1,5})(?![0-9.,])(?<rest>.*)\z~us';
        if (1 !== preg_match($pattern, $text, $m)) {
            return null;
        }
        $den = (int) $m['den'];
        0 !== $den || throw InvalidQuantity::notReadable(Kind::Number, $text);
        if ([] !== $denominators && !in_array($den, $denominators, true) || '' !== $m['whole'] && (int) $m['num'] >= $den) {
            return null;
        }
        $value = (int) $m['whole'] + (int) $m['num'] / $den;

        return new self('-' === $m['sign'] ? -$value : $value, 1 / $den, $m['rest'], true, '' === $m['whole']);
    }

    private static function readVulgar(string $text): ?self
    {
        if (1 !== preg_match(
            '~\A(?<sign>[-+]?)(?<whole>[0-9]{0,6})[\s-]?(?<part>['.implode('', array_keys(CleanText::FRACTIONS)).'])(?<rest>.*)\z~us',
            $text, $m,
        )) {
            return null;
        }
        [$num, $den] = CleanText::FRACTIONS[$m['part']];
        $value = (int) $m['whole'] + $num / $den;

        return new self('-' === $m['sign'] ? -$value : $value, 1 / $den, $m['rest'], true);
    }

    private static function readDecimal(string $text): ?self
    {
        if (1 !== preg_match(self::DECIMAL, $text, $m)) {
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
        if (1 === preg_match('~\A[-+]?[1-9][0-9]{0,2},[0-9]{3}\z~', $number)) {
            throw InvalidQuantity::ambiguousNumber($number);
        }
        if (1 === preg_match('~\A[-+]?[0-9]{1,3}(?:\.[0-9]{3})+,[0-9]+\z~', $number)) {
            return str_replace(['.', ','], ['', '.'], $number);
        }
        if (1 === preg_match('~\A[-+]?[0-9]*,[0-9]+\z~', $number)) {
            return str_replace(',', '.', $number);
        }

        return (string) preg_replace('~[,\s\']~', '', $number);
    }

    private static function readWords(string $text): ?self
    {
        $count = implode('|', array_keys(self::WORDS));
        $part = implode('|', array_keys(self::PARTS));
        $pattern = "~\\A(?:(?:(?<num>{$count})[\\s-]+)?(?<den>{$part})s?(?:\\s+(?:of\\s+)?an?)?"
            ."|(?<whole>{$count})(?:\\s+and\\s+(?:(?<wnum>{$count})[\\s-]+)?(?<wden>{$part})s?)?)(?![a-z])(?<rest>.*)\\z~uis";
        if (1 !== preg_match($pattern, mb_strtolower($text), $m, \PREG_UNMATCHED_AS_NULL)) {
            return null;
        }
        if (null !== $m['den']) {
            $den = self::PARTS[$m['den']];

            return new self(self::WORDS[$m['num'] ?? 'one'] / $den, 1 / $den, (string) $m['rest'], true);
        }
        $den = null === $m['wden'] ? 1 : self::PARTS[$m['wden']];
        $extra = null === $m['wden'] ? 0 : self::WORDS[$m['wnum'] ?? 'one'] / $den;

        return new self(self::WORDS[(string) $m['whole']] + $extra, 1 / $den, (string) $m['rest'], 1 !== $den);
    }
}
