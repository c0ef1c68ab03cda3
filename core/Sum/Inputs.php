<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;

/** The raw inputs of one sum, read on demand; every error names its field. */
final readonly class Inputs
{
    /** @param array<string, mixed> $raw */
    private function __construct(public array $raw)
    {
    }

    /**
     * @param array<array-key, mixed> $raw
     * @param list<Field> $fields
     *
     * @throws InvalidInput for a field the sum does not know, or a needed one that is missing
     */
    public static function of(array $raw, array $fields): self
    {
        $known = array_map(static fn (Field $field): string => $field->name, $fields);
        $kept = [];
        foreach ($raw as $name => $value) {
            in_array($name, $known, true) || throw InvalidInput::in((string) $name, sprintf('There is no field «%s» here: use %s.', InvalidQuantity::quote((string) $name), implode(', ', $known)));
            if (null !== $value && '' !== $value && (!is_string($value) || '' !== trim($value))) {
                $kept[(string) $name] = $value;
            }
        }
        foreach ($fields as $field) {
            if ($field->required && !isset($kept[$field->name])) {
                throw InvalidInput::missing($field->name, $field->example);
            }
        }

        return new self($kept);
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
     * @return non-empty-list<Figure> one figure, or the same one in two units
     *
     * @throws InvalidInput
     */
    public function statement(string $name, Kind $kind): array
    {
        try {
            return Notation::readStatement($kind, $this->scalar($name));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($name, $e->getMessage());
        }
    }

    /** In the base unit of the kind. */
    public function number(string $name, Kind $kind): float
    {
        return $this->figure($name, $kind)->value();
    }

    public function between(string $name, Kind $kind, float $low, float $high): float
    {
        $value = $this->number($name, $kind);
        if ($value < $low || $value > $high) {
            $unit = $kind->baseUnit()->symbol();
            throw InvalidInput::in($name, sprintf('%s %s is outside %s to %s %s: check «%s».', self::show($value), $unit, self::show($low), self::show($high), $unit, $name));
        }

        return $value;
    }

    public function positive(string $name, Kind $kind): float
    {
        $value = $this->number($name, $kind);

        return $value > 0.0 ? $value : throw InvalidInput::in($name, sprintf('«%s» must be more than zero.', $name));
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
            default => throw InvalidInput::in($name, sprintf('«%s» is yes or no.', $name)),
        };
    }

    private function scalar(string $name): string|int|float
    {
        $value = $this->raw[$name] ?? throw InvalidInput::missing($name, 'a value');

        return is_string($value) || is_int($value) || is_float($value) ? $value : throw InvalidInput::in($name, sprintf('«%s» must be a number or a text.', $name));
    }

    private static function show(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ' '), '0'), '.');
    }
}
