<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Duration;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Stated;
use NimbleKnuckle\Core\Quantity\Stress;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Quantity\Volume;

/** The raw inputs of one sum, read on demand; every error names its field. */
final readonly class Inputs
{
    private const MOST_ITEMS = 20_000;
    /** Decimals where three do not tell a figure from its limit. */
    private const CLOSE = 9;

    /**
     * @param array<string, mixed> $raw
     * @param array<string, Field> $bounded the fields that lie within bounds of their own, by name
     */
    private function __construct(public array $raw, private array $bounded)
    {
    }

    /**
     * @param array<array-key, mixed> $raw
     * @param list<Field> $fields
     *
     * @throws InvalidInput for a field the sum does not know, a needed one that is missing, or a figure outside of what it takes
     */
    public static function of(array $raw, array $fields): self
    {
        $known = array_map(static fn (Field $field): string => $field->name, $fields);
        $kept = [];
        foreach ($raw as $name => $value) {
            in_array($name, $known, true) || throw InvalidInput::in(
                (string) $name,
                sprintf('There is no field “%s” here: use %s.', InvalidQuantity::quote((string) $name), implode(', ', $known)),
            );
            if (null !== $value && '' !== $value && (!is_string($value) || '' !== trim($value))) {
                $kept[(string) $name] = $value;
            }
        }
        foreach ($fields as $field) {
            if ($field->required && !isset($kept[$field->name])) {
                throw InvalidInput::missing($field->name, $field->example);
            }
        }

        $bounded = array_filter(array_combine($known, $fields), static fn (Field $field): bool => null !== $field->ranges->physical);
        $in = new self($kept, $bounded);
        array_walk($bounded, $in->keep(...));

        return $in;
    }

    /** @throws InvalidInput where the figure lies outside of what its field takes */
    private function keep(Field $field): void
    {
        $bounds = $field->ranges->physical;
        null === $bounds || null === $field->kind || !$this->has($field->name)
            || $this->between($field->name, $field->kind, $bounds->low, $bounds->high);
    }

    public function has(string $name): bool
    {
        return isset($this->raw[$name]);
    }

    /** @throws InvalidInput */
    public function figure(string $name, Kind $kind): Figure
    {
        try {
            return Notation::read($kind, $this->scalar($name));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($name, $e->getMessage());
        }
    }

    /**
     * All that one line may state: a figure or a range, the same in another unit, an angle further.
     *
     * @throws InvalidInput
     */
    public function stated(string $name, Kind $kind): Stated
    {
        try {
            return Notation::readStated($kind, $this->scalar($name));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($name, $e->getMessage());
        }
    }

    /** In the base unit of the kind. */
    public function number(string $name, Kind $kind): float
    {
        return $this->figure($name, $kind)->value();
    }

    /** In the base unit of the kind; null where it was not given. */
    public function maybe(string $name, Kind $kind): ?float
    {
        return $this->has($name) ? $this->number($name, $kind) : null;
    }

    public function between(string $name, Kind $kind, float $low, float $high): float
    {
        $value = $this->number($name, $kind);
        if ($value < $low || $value > $high) {
            throw InvalidInput::in($name, self::outside($value, $low, $high, $kind->baseUnit()->symbol(), $name));
        }

        return $value;
    }

    public function positive(string $name, Kind $kind): float
    {
        $value = $this->number($name, $kind);

        return $value > 0.0 ? $value : throw InvalidInput::in($name, sprintf('“%s” must be more than zero.', $name));
    }

    /** More than zero, or between two bounds in N·m; else between those of its field. */
    public function torque(string $name, ?float $low = null, ?float $high = null): Torque
    {
        return Torque::newtonMetres($this->within($name, Kind::Torque, $low, $high));
    }

    /** More than zero, or between two bounds in mm; else between those of its field. */
    public function length(string $name, ?float $low = null, ?float $high = null): Length
    {
        return Length::millimetres($this->within($name, Kind::Length, $low, $high));
    }

    /** More than zero, or between two bounds in degrees; else between those of its field. */
    public function angle(string $name, ?float $low = null, ?float $high = null): Angle
    {
        return Angle::degrees($this->within($name, Kind::Angle, $low, $high));
    }

    /** More than zero, or between two bounds in kPa; else between those of its field. */
    public function pressure(string $name, ?float $low = null, ?float $high = null): Pressure
    {
        return Pressure::kilopascals($this->within($name, Kind::Pressure, $low, $high));
    }

    /** More than zero, or between two bounds in litres; else between those of its field. */
    public function volume(string $name, ?float $low = null, ?float $high = null): Volume
    {
        return Volume::litres($this->within($name, Kind::Volume, $low, $high));
    }

    /** More than zero, or between two bounds in °C; else between those of its field. */
    public function temperature(string $name, ?float $low = null, ?float $high = null): Temperature
    {
        return Temperature::celsius($this->within($name, Kind::Temperature, $low, $high));
    }

    /** More than zero, or between two bounds in MPa; else between those of its field. */
    public function stress(string $name, ?float $low = null, ?float $high = null): Stress
    {
        return Stress::megapascals($this->within($name, Kind::Stress, $low, $high));
    }

    /** More than zero, or between two bounds in minutes; else between those of its field. */
    public function duration(string $name, ?float $low = null, ?float $high = null): Duration
    {
        return Duration::minutes($this->within($name, Kind::Duration, $low, $high));
    }

    /** In s, between two bounds; a bare number is s, whatever the base unit of a duration. */
    public function seconds(string $name, float $low, float $high): float
    {
        $raw = $this->scalar($name);
        $raw = is_string($raw) ? str_replace(',', '.', $raw) : $raw;
        $seconds = is_numeric($raw) ? (float) $raw : 60 * $this->number($name, Kind::Duration);

        return $seconds >= $low && $seconds <= $high ? $seconds : throw InvalidInput::in(
            $name, self::outside($seconds, $low, $high, 's', $name),
        );
    }

    /** More than nothing, or between two bounds in percent. */
    public function share(string $name, ?float $low = null, ?float $high = null): Share
    {
        return Share::ofOne($this->within($name, Kind::Percent, $low, $high) / 100);
    }

    private function within(string $name, Kind $kind, ?float $low, ?float $high): float
    {
        return match (true) {
            null !== $low && null !== $high => $this->between($name, $kind, $low, $high),
            isset($this->bounded[$name]) => $this->number($name, $kind),
            default => $this->positive($name, $kind),
        };
    }

    public function text(string $name): string
    {
        return trim((string) $this->scalar($name));
    }

    public function flag(string $name): bool
    {
        $value = $this->raw[$name] ?? false;
        if (is_bool($value)) {
            return $value;
        }

        return match (is_scalar($value) ? mb_strtolower(trim((string) $value)) : '?') {
            'true', 'yes', '1', 'on' => true,
            'false', 'no', '0', 'off' => false,
            default => throw InvalidInput::in($name, sprintf('“%s” is yes or no.', $name)),
        };
    }

    /**
     * A list as JSON gives it, or as a person writes one: parts with semicolons, line breaks or “, ” between, or JSON text.
     *
     * @return non-empty-list<mixed>
     *
     * @throws InvalidInput
     */
    public function items(string $name): array
    {
        $value = $this->raw[$name] ?? throw InvalidInput::missing($name, 'a list');
        if (is_string($value)) {
            $value = 1 === preg_match('~\A\s*[\[{]~', $value) ? json_decode($value, true, 8) : self::split(trim($value));
        }
        $items = array_values(
            array_filter(
                is_array($value) ? $value : (is_scalar($value) ? [$value] : []),
                static fn (mixed $item): bool => '' !== $item && null !== $item,
            ),
        );

        return match (true) {
            [] === $items => throw InvalidInput::in($name, sprintf('“%s” must be a list.', $name)),
            count($items) > self::MOST_ITEMS => throw InvalidInput::in(
                $name, sprintf('“%s” has %d entries: give at most %d.', $name, count($items), self::MOST_ITEMS),
            ),
            default => $items,
        };
    }

    /**
     * Each entry of a list as a quantity, in the base unit of the kind.
     *
     * @return non-empty-list<float>
     *
     * @throws InvalidInput
     */
    public function numbers(string $name, Kind $kind): array
    {
        return array_map(static fn (mixed $item): float => self::entry($name, $item, $kind), $this->items($name));
    }

    /**
     * Rows of numbers such as samples: [[x, y], …].
     *
     * @return non-empty-list<non-empty-list<float>>
     *
     * @throws InvalidInput
     */
    public function rows(string $name, int $least, int $most): array
    {
        $rows = $this->rowsOf($name);
        [] !== $rows || throw InvalidInput::in($name, sprintf('“%s” must be a list of rows.', $name));
        foreach ($rows as $i => $row) {
            if (count($row) < $least || count($row) > $most) {
                throw InvalidInput::in($name, sprintf('Row %d needs %d%s numbers.', $i + 1, $least, $most > $least ? ' to '.$most : ''));
            }
        }

        return $rows;
    }

    /** @return list<non-empty-list<float>> */
    private function rowsOf(string $name): array
    {
        $text = $this->raw[$name] ?? null;
        try {
            if (is_string($text) && 1 !== preg_match('~\A\s*[\[{]~', $text)) {
                return NumberRows::read($text);
            }
            $rows = [];
            foreach ($this->items($name) as $i => $row) {
                $rows[] = is_string($row) ? NumberRows::read($row)[0] ?? [] : self::row($row, $i + 1);
            }

            return array_values(array_filter($rows, static fn (array $row): bool => [] !== $row));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($name, $e->getMessage());
        }
    }

    /** @return list<float> */
    private static function row(mixed $row, int $number): array
    {
        $numbers = [];
        foreach (is_array($row) ? array_values($row) : [] as $cell) {
            $numbers[] = match (true) {
                is_int($cell), is_float($cell) && is_finite($cell) => (float) $cell,
                is_string($cell) => NumberRows::one(trim($cell), $number),
                default => throw InvalidQuantity::inRow($number, InvalidQuantity::quote(get_debug_type($cell))),
            };
        }

        return [] === $numbers ? throw InvalidQuantity::inRow($number, '') : $numbers;
    }

    /** @throws InvalidInput when the choice is not one of those allowed */
    public function oneOf(string $name, string ...$allowed): string
    {
        $text = str_replace(['_', ' '], '-', mb_strtolower($this->text($name)));

        return in_array($text, $allowed, true) ? $text : throw InvalidInput::in(
            $name, sprintf('“%s” is not known here: use %s.', InvalidQuantity::quote($this->text($name)), implode(', ', $allowed)),
        );
    }

    /** @return list<string> by semicolon or line where there is one, else by “, ” */
    private static function split(string $text): array
    {
        return preg_split(1 === preg_match('~[;\n]~', $text) ? '~\s*[;\n]\s*~' : '~,\s+~', $text) ?: [];
    }

    private static function entry(string $name, mixed $item, Kind $kind): float
    {
        try {
            return is_string($item) || is_int($item) || is_float($item) ? Notation::read($kind, $item)->value() : throw InvalidInput::in(
                $name, sprintf('Every entry of “%s” is a number or a text.', $name),
            );
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($name, $e->getMessage());
        }
    }

    /** As it was written. */
    public function written(string $name): string|int|float
    {
        return $this->scalar($name);
    }

    private function scalar(string $name): string|int|float
    {
        $value = $this->raw[$name] ?? throw InvalidInput::missing($name, 'a value');

        return is_string($value) || is_int($value) || is_float($value) ? $value : throw InvalidInput::in(
            $name, sprintf('“%s” must be a number or a text.', $name),
        );
    }

    private static function outside(float $value, float $low, float $high, string $unit, string $name): string
    {
        $unit = '' === $unit ? '' : ' '.$unit;
        $ends = [self::show($low), self::show($high)];
        // What lies past an end by less than is shown would be said to be that end.
        $said = in_array(self::show($value), $ends, true) ? self::show($value, self::CLOSE) : self::show($value);

        return sprintf('%s%s is outside %s to %s%s: check “%s”.', $said, $unit, $ends[0], $ends[1], $unit, $name);
    }

    private static function show(float $value, int $decimals = 3): string
    {
        $text = Digits::fixed($value, abs($value) > 0.0 && abs($value) < 0.0005 ? self::CLOSE : $decimals);

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }
}
