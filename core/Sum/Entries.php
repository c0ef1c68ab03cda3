<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;

/**
 * How a list of records is read: as JSON objects by their keys, or as a person writes one, “fan 650 300 25 180”: its name,
 * then its numbers in the order of the columns, words such as “rubber” anywhere. A trailing ? marks what may be missing.
 */
final readonly class Entries
{
    /**
     * @param array<string, Kind> $columns key, in order => kind; with a ? where it may be missing, a | before another name for it
     * @param array<string, list<string>> $words key => what may stand there
     */
    public function __construct(private array $columns, private array $words = [])
    {
    }

    /**
     * @return non-empty-list<Entry>
     *
     * @throws InvalidInput naming the field, the entry and what it lacks
     */
    public function of(Inputs $in, string $field): array
    {
        $entries = [];
        foreach ($in->items($field) as $i => $item) {
            $entries[] = $this->entry($field, $item, $i + 1);
        }

        return $entries;
    }

    /** A field that is one record, not a list of them. */
    public function one(Inputs $in, string $field): Entry
    {
        $raw = $in->raw[$field] ?? throw InvalidInput::missing($field, 'a value');
        $raw = is_string($raw) && str_starts_with(trim($raw), '{') ? json_decode($raw, true, 8) : $raw;

        return $this->entry($field, $raw, 1);
    }

    private function entry(string $field, mixed $item, int $number): Entry
    {
        if (is_array($item) && array_is_list($item)) {
            $item = implode(' ', array_map(static fn (mixed $one): string => is_scalar($one) ? (string) $one : '?', $item));
        }
        if (is_string($item) || is_int($item) || is_float($item)) {
            $item = $this->written(trim((string) $item));
        }
        is_array($item) || throw InvalidInput::in($field, sprintf('Entry %d must be a record such as %s.', $number, $this->shape()));
        $name = $item['name'] ?? '';

        return new Entry(
            is_scalar($name) ? trim((string) $name) : '', $this->numbers($field, $item, $number), $this->words($field, $item, $number),
        );
    }

    /**
     * @param array<array-key, mixed> $item
     *
     * @return array<string, float>
     *
     * @throws InvalidInput
     */
    private function numbers(string $field, array $item, int $entry): array
    {
        $numbers = [];
        foreach ($this->columns as $column => $kind) {
            [$key, $other] = [...explode('|', rtrim($column, '?')), ''];
            $value = $item[$key] ?? $item[$other] ?? null;
            if (null !== $value && '' !== $value) {
                $numbers[$key] = self::number($field, $entry, $key, $value, $kind);
            } elseif (!str_ends_with($column, '?')) {
                throw InvalidInput::in($field, sprintf('Entry %d has no “%s”: write it as %s.', $entry, $key, $this->shape()));
            }
        }

        return $numbers;
    }

    /**
     * @param array<array-key, mixed> $item
     *
     * @return array<string, string>
     *
     * @throws InvalidInput
     */
    private function words(string $field, array $item, int $entry): array
    {
        $words = [];
        foreach ($this->words as $key => $allowed) {
            $said = $item[$key] ?? null;
            $word = is_string($said) ? mb_strtolower(trim($said)) : (true === $said ? $allowed[0] ?? '' : '');
            '' === $word || in_array($word, $allowed, true) || throw InvalidInput::in(
                $field, sprintf('Entry %d: “%s” is %s.', $entry, $key, implode(' or ', $allowed)),
            );
            '' === $word || $words[$key] = $word;
        }

        return $words;
    }

    /** @return array<string, string> */
    private function written(string $text): array
    {
        $item = $numbers = $name = [];
        foreach (preg_split('~[\s,]+~u', $text) ?: [] as $word) {
            $key = $this->keyOf(mb_strtolower($word));
            if ('' !== $key) {
                $item[$key] = $word;
            } elseif (1 === preg_match('~\A[-+−]?[\d.]~u', $word)) {
                $numbers[] = $word;
            } elseif ([] === $numbers) {
                $name[] = $word;
            } else {
                $numbers[count($numbers) - 1] .= ' '.$word;
            }
        }
        // A number before those that are asked for belongs to the name: “idler 2”.
        while (count($numbers) > count($this->columns) && [] !== $name) {
            $name[] = array_shift($numbers);
        }
        foreach (array_keys($this->columns) as $i => $column) {
            isset($numbers[$i]) && $item[self::keyName($column)] = $numbers[$i];
        }

        return $item + ['name' => implode(' ', $name)];
    }

    private function keyOf(string $word): string
    {
        foreach ($this->words as $key => $allowed) {
            if (in_array($word, $allowed, true)) {
                return $key;
            }
        }

        return '';
    }

    /** @throws InvalidInput */
    private static function number(string $field, int $entry, string $key, mixed $value, Kind $kind): float
    {
        is_string($value) || is_int($value) || is_float($value) || throw InvalidInput::in(
            $field, sprintf('Entry %d: “%s” must be a number.', $entry, $key),
        );
        $text = str_replace('−', '-', trim((string) $value));
        $sign = str_starts_with($text, '-') ? -1.0 : 1.0;
        $text = is_string($value) ? ltrim($text, '-+ ') : abs((float) $value);
        try {
            return 0.0 === $text ? 0.0 : $sign * Notation::read($kind, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, sprintf('Entry %d, “%s”: %s', $entry, $key, $e->getMessage()));
        }
    }

    private static function keyName(string $column): string
    {
        return explode('|', rtrim($column, '?'))[0];
    }

    private function shape(): string
    {
        $keys = array_map(self::keyName(...), array_keys($this->columns));

        return '“'.implode(' ', ['name', ...$keys, ...array_keys($this->words)]).'”';
    }
}
