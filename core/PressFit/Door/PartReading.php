<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit\Door;

use NimbleKnuckle\Core\Bolting\ThreadCondition;
use NimbleKnuckle\Core\PressFit\PartMaterial;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Stress;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What is said of shaft and hub in one field: one for both, or the shaft’s and the hub’s. */
final readonly class PartReading
{
    private const SPREAD = 0.25;
    private const PARTS = ['shaft', 'hub'];

    /**
     * @return array{float, float} in the base unit of the kind
     *
     * @throws InvalidInput
     */
    public static function pair(Inputs $in, string $field, Kind $kind, float $usual): array
    {
        if (!$in->has($field)) {
            return [$usual, $usual];
        }
        $items = self::items($in, $field);
        $numbers = array_map(static fn (mixed $one): float => self::number($field, $kind, $one), $items);

        return [$numbers[0], $numbers[1] ?? $numbers[0]];
    }

    /**
     * @return array{float, float} low and high; a number is taken as it is
     *
     * @throws InvalidInput
     */
    public static function friction(Inputs $in): array
    {
        $condition = $in->has('friction') ? ThreadCondition::named($in->text('friction')) : ThreadCondition::Oiled;
        $usual = $condition?->pressed();
        if (null === $usual) {
            $given = $in->between('friction', Kind::Number, 0.02, 0.6);

            return [$given, $given];
        }

        return [$usual * (1 - self::SPREAD), $usual * (1 + self::SPREAD)];
    }

    /**
     * @return array{PartMaterial, PartMaterial} shaft and hub
     *
     * @throws InvalidInput
     */
    public static function materials(Inputs $in): array
    {
        if (!$in->has('materials')) {
            return [self::material('steel'), self::material('steel')];
        }
        $items = self::items($in, 'materials');
        $shaft = self::material($items[0]);

        return [$shaft, isset($items[1]) ? self::material($items[1]) : $shaft];
    }

    /** @return non-empty-list<mixed> one or two */
    private static function items(Inputs $in, string $field): array
    {
        $raw = $in->raw[$field] ?? null;
        $raw = is_string($raw) && str_starts_with(trim($raw), '{') ? json_decode($raw, true, 8) : $raw;
        if (is_array($raw) && isset($raw['shaft'], $raw['hub'])) {
            return [$raw['shaft'], $raw['hub']];
        }
        if (is_array($raw) && !array_is_list($raw)) {
            return [$raw];
        }
        $items = array_values(is_array($raw) ? $raw : $in->items($field));
        [] !== $items && count($items) <= 2 || throw InvalidInput::in(
            $field, sprintf(
                '“%s” is one for both, or one for the %s with a semicolon between.', $field,
                implode(' and one for the ', self::PARTS),
            ),
        );

        return $items;
    }

    private static function number(string $field, Kind $kind, mixed $one): float
    {
        is_string($one) || is_int($one) || is_float($one) || throw InvalidInput::in($field, sprintf('“%s” must be a number.', $field));
        try {
            return Notation::read($kind, $one)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, $e->getMessage());
        }
    }

    private static function material(mixed $said): PartMaterial
    {
        if (is_array($said)) {
            return self::record($said);
        }
        $text = is_string($said) ? trim($said) : '';
        1 === preg_match('~\A(?<name>[\p{L} _-]+?)\s*(?<yield>[0-9].*)?\z~u', $text, $m) || throw self::unknown($text);
        $yield = isset($m['yield']) ? Stress::megapascals(self::number('materials', Kind::Stress, $m['yield'])) : null;

        return PartMaterial::named($m['name'], $yield) ?? throw self::unknown($text);
    }

    /** @param array<array-key, mixed> $said */
    private static function record(array $said): PartMaterial
    {
        $name = $said['name'] ?? $said['material'] ?? 'steel';
        $name = is_string($name) ? mb_substr($name, 0, 40) : 'steel';
        $known = PartMaterial::named($name) ?? self::material('steel');
        $yield = self::given($said, 'yield', 'yields', 'Rp', 'Rm');
        $alpha = self::given($said, 'α', 'alpha', 'a') ?? $known->alpha;

        return new PartMaterial(
            $name, self::given($said, 'E', 'e', 'E_GPa') ?? $known->elastic, self::given($said, 'ν', 'nu', 'v') ?? $known->poisson, $alpha,
            min($alpha, $known->chilled), null === $yield ? null : Stress::megapascals($yield),
        );
    }

    /**
     * The first of these keys that is there.
     *
     * @param array<array-key, mixed> $said
     */
    private static function given(array $said, string ...$keys): ?float
    {
        foreach ($keys as $key) {
            if (isset($said[$key])) {
                return is_numeric($said[$key]) && $said[$key] > 0 ? (float) $said[$key] : throw InvalidInput::in(
                    'materials', sprintf('“%s” must be a number over nothing.', $key),
                );
            }
        }

        return null;
    }

    private static function unknown(string $text): InvalidInput
    {
        return InvalidInput::in('materials', sprintf(
            '“%s” is not known here: use %s, with where it yields in MPa behind it.', InvalidQuantity::quote($text),
            implode(', ', PartMaterial::names()),
        ));
    }
}
