<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What was typed into the fields of a form that is no form of the framework: texts as they stand, and the numbers they say. */
final readonly class Typed
{
    private const MOST_LETTERS = 120;

    /**
     * A number that may lie on either side of nothing, in the base unit of its kind.
     *
     * @param array<string, string> $of
     *
     * @throws InvalidInput naming the field, in words
     */
    public static function number(array $of, string $key, Kind $kind, string $said = 'It'): float
    {
        $text = str_replace('−', '-', trim($of[$key]));
        '' !== $text || throw InvalidInput::in($key, sprintf('%s is missing.', $said));
        $isNegative = str_starts_with($text, '-');
        $text = ltrim($text, '+-');
        try {
            return ($isNegative ? -1 : 1) * ('0' === $text ? 0.0 : Notation::read($kind, $text)->value());
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($key, $said.': '.$e->getMessage());
        }
    }

    /**
     * @param array<array-key, mixed> $in
     * @param array<string, string> $known key => what stands there when nothing does
     *
     * @return array<string, string>
     */
    public static function texts(array $in, array $known): array
    {
        foreach ($known as $key => $nothing) {
            $known[$key] = isset($in[$key]) && is_scalar($in[$key]) ? mb_substr(trim(self::text($in[$key])), 0,
                self::MOST_LETTERS) : $nothing;
        }

        return $known;
    }

    public static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
