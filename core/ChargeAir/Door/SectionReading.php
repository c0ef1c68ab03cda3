<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Sections of a charge path as JSON gives them, or as a person writes one: “cold pipe 57 900 90/85 45/85”. */
final readonly class SectionReading
{
    private const FIELD = 'sections';
    private const MOST = 40;

    /**
     * @return non-empty-list<ChargeSection>
     *
     * @throws InvalidInput naming the section and what it lacks
     */
    public static function all(Inputs $in): array
    {
        $items = $in->items(self::FIELD);
        count($items) <= self::MOST || throw InvalidInput::in(self::FIELD, sprintf('%d pipes at most.', self::MOST));

        return array_map(static fn (mixed $item, int $i): ChargeSection => self::one($item, $i + 1), $items, array_keys($items));
    }

    private static function one(mixed $item, int $number): ChargeSection
    {
        $item = is_string($item) ? self::written($item) : $item;
        is_array($item) || throw self::refuse($number, 'is a record, or “name 57 900 90/85”.');
        $name = is_string($item['name'] ?? null) && '' !== trim($item['name']) ? trim($item['name']) : 'pipe '.$number;
        $d = self::sized($item, $number, 'd', 5.0, 300.0, 'needs its inside “d”, from 5 to 300 mm.');
        $length = self::sized($item, $number, 'length', 0.0, 10_000.0, 'needs its “length”, up to 10 m.');
        $roughness = isset($item['roughness']) ? self::number(
            $number, 'roughness', Kind::Length, $item['roughness'],
        ) : ChargeSection::SMOOTH;
        $roughness < 0.1 * $d || throw self::refuse($number, 'is rougher than a tenth of its width.');
        $bends = $item['bends'] ?? [];
        is_array($bends) || throw self::refuse($number, '“bends” is a list of [degrees, radius].');

        return new ChargeSection(
            $name, $d, $length, array_map(
                static fn (mixed $bend): array => self::bend($number, $bend, $d), array_values($bends),
            ), $roughness,
            isset($item['temperature']) ? self::number($number, 'temperature', Kind::Temperature, $item['temperature']) : null,
        );
    }

    /** @param array<array-key, mixed> $item */
    private static function sized(array $item, int $number, string $key, float $low, float $high, string $why): float
    {
        $value = isset($item[$key]) ? self::number($number, $key, Kind::Length, $item[$key]) : null;

        return null !== $value && $value >= $low && $value <= $high ? $value : throw self::refuse($number, $why);
    }

    /** @return array{float, float} */
    private static function bend(int $number, mixed $bend, float $d): array
    {
        is_array($bend) && 2 === count($bend) || throw self::refuse($number, 'has a bend that is not [degrees, radius].');
        [$angle, $radius] = array_values($bend);
        $angle = self::number($number, 'degrees', Kind::Angle, $angle);
        $radius = self::number($number, 'radius', Kind::Length, $radius);
        $angle > 0.0 && $angle <= 360.0 || throw self::refuse($number, 'has a bend of more than nothing and up to 360°.');
        $radius >= $d / 2 || throw self::refuse($number, sprintf(
            'has a bend of radius %s mm: no less than half its inside, %s mm. The radius is that of the centre line.', $radius, $d / 2,
        ));

        return [$angle, $radius];
    }

    /** @return array<string, mixed> */
    private static function written(string $text): array
    {
        $name = $numbers = $bends = [];
        foreach (preg_split('~\s+~u', trim($text)) ?: [] as $word) {
            if (1 === preg_match('~\A([\d.]+)°?[/@]([\d.]+)(mm)?\z~u', $word, $m)) {
                $bends[] = [$m[1], $m[2]];
            } elseif (1 === preg_match('~\A[\d.]~', $word)) {
                $numbers[] = $word;
            } elseif ([] !== $numbers) {
                $numbers[count($numbers) - 1] .= ' '.$word;
            } else {
                $name[] = $word;
            }
        }
        $item = ['name' => implode(' ', $name), 'bends' => $bends];
        foreach (['d', 'length', 'roughness'] as $i => $key) {
            isset($numbers[$i]) && $item[$key] = $numbers[$i];
        }

        return $item;
    }

    private static function number(int $number, string $key, Kind $kind, mixed $value): float
    {
        is_string($value) || is_int($value) || is_float($value) || throw self::refuse($number, sprintf('“%s” must be a number.', $key));
        try {
            return Notation::read($kind, $value)->value();
        } catch (InvalidQuantity $e) {
            throw self::refuse($number, sprintf('“%s”: %s', $key, $e->getMessage()));
        }
    }

    private static function refuse(int $number, string $why): InvalidInput
    {
        return InvalidInput::in(self::FIELD, sprintf('Pipe %d %s', $number, $why));
    }
}
