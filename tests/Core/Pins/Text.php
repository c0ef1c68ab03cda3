<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;

/** Anything as words a person can read: numbers to five digits, names beside them, nothing empty. */
final readonly class Text
{
    private const DEEPEST = 9;
    private const DIGITS = '%.5g';

    public static function of(mixed $value, int $depth = 0): string
    {
        return match (true) {
            $depth > self::DEEPEST => '…',
            is_float($value) => self::number($value),
            is_bool($value) => $value ? 'yes' : 'no',
            null === $value => '-',
            is_string($value) => $value,
            $value instanceof \BackedEnum => (string) $value->value,
            $value instanceof \UnitEnum => $value->name,
            $value instanceof \DateTimeInterface => $value->format('Y-m-d H:i:s'),
            $value instanceof Quantity => self::number($value->inBase()).' '.$value->kind->baseUnit()->symbol(),
            $value instanceof Check => self::check($value),
            $value instanceof InvalidInput => $value->field.': '.$value->getMessage(),
            $value instanceof \Throwable => $value->getMessage(),
            is_object($value) => self::named(get_object_vars($value), $depth),
            is_array($value) => array_is_list($value) ? self::listed($value, $depth) : self::named($value, $depth),
            default => (string) (is_scalar($value) ? $value : ''),
        };
    }

    public static function number(float $value): string
    {
        return match (true) {
            abs($value) < 1e-9 => '0',
            is_finite($value) => sprintf(self::DIGITS, $value),
            default => is_nan($value) ? 'no number' : 'without end',
        };
    }

    /** What a sum answers, in one line: verdict, the codes that are not well, each value with its unit. */
    public static function short(SumResult|InvalidInput $answer): string
    {
        if ($answer instanceof InvalidInput) {
            return 'refused '.self::of($answer);
        }
        $plain = $answer->toArray();
        $values = [];
        foreach (is_array($plain['values'] ?? null) ? $plain['values'] : [] as $name => $value) {
            $values[] = $name.' '.(is_array($value) && array_key_exists('value', $value) && is_scalar($value['value'])
                ? trim(self::of($value['value']).' '.self::of($value['unit'] ?? '')) : self::of($value));
        }
        $codes = array_map(static fn (Check $check): string => $check->level->value.' '.$check->code, $answer->checks);

        return implode(', ', $codes).' | '.implode(', ', $values);
    }

    private static function check(Check $check): string
    {
        return $check->level->value.' '.$check->code.': '.$check->text;
    }

    /** @param array<array-key, mixed> $values */
    private static function named(array $values, int $depth): string
    {
        $parts = [];
        foreach ($values as $name => $value) {
            $said = self::of($value, $depth + 1);
            in_array($said, ['', '-', '{}', '[]'], true) || $parts[] = $name.' '.$said;
        }

        return '{'.implode(', ', $parts).'}';
    }

    /** @param list<mixed> $values */
    private static function listed(array $values, int $depth): string
    {
        return '['.implode('; ', array_map(static fn (mixed $value): string => self::of($value, $depth + 1), $values)).']';
    }
}
