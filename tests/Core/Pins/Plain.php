<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

/** Anything as plain values: numbers to nine digits, so that two machines write the same. */
final readonly class Plain
{
    private const DEEPEST = 8;

    public static function of(mixed $value, int $depth = 0): mixed
    {
        return match (true) {
            $depth > self::DEEPEST => '…',
            is_float($value) => self::number($value),
            $value instanceof \BackedEnum => $value->value,
            $value instanceof \UnitEnum => $value->name,
            $value instanceof \DateTimeInterface => $value->format('c'),
            is_object($value) => self::of(get_object_vars($value), $depth),
            is_array($value) => array_map(static fn (mixed $one): mixed => self::of($one, $depth + 1), $value),
            default => $value,
        };
    }

    /** Short things as they are, long ones as their mark. */
    public static function mark(mixed $value): string
    {
        $text = json_encode(
            self::of($value),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_INVALID_UTF8_SUBSTITUTE,
        );

        return strlen($text) <= 60 ? $text : '#'.substr(hash('sha256', $text), 0, 14);
    }

    private static function number(float $value): string
    {
        return match (true) {
            abs($value) < 1e-12 => '0',
            is_finite($value) => sprintf('%.9g', $value),
            default => (string) $value,
        };
    }
}
