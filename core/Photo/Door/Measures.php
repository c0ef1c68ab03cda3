<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo\Door;

use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * What is to be measured: as JSON three lists, of pairs, of triples and of circles, with points from 0; or as a person writes it,
 * “1-2; 1-3-2; circle 1 2 3 4”, with points from 1.
 */
final readonly class Measures
{
    private const MOST = 50;
    private const NAMES = ['pairs', 'triples', 'circles'];

    /**
     * @return array{pairs: list<array{int, int}>, triples: list<array{int, int, int}>, circles: list<list<int>>} points, from 0
     *
     * @throws InvalidInput
     */
    public static function read(Inputs $in, string $field, int $points): array
    {
        $items = $in->items($field);
        $raw = $in->raw[$field] ?? null;
        $isWritten = is_string($raw) && 1 !== preg_match('~\A\s*\[~', $raw) || [] !== array_filter($items, is_string(...));
        $asked = $isWritten ? self::written($items, $field) : self::listed($items, $field);
        count($asked['pairs']) + count($asked['triples']) + count($asked['circles']) > 0
            || throw InvalidInput::in($field, 'Say what to measure: 1-2 a distance, 1-3-2 an angle, circle 1 2 3 4.');
        array_sum(array_map(count(...), $asked)) <= self::MOST
            || throw InvalidInput::in($field, sprintf('%d things at most in one picture.', self::MOST));
        foreach ([...$asked['pairs'], ...$asked['triples'], ...$asked['circles']] as $one) {
            self::ensure($one, $points, $field);
        }

        return $asked;
    }

    /**
     * @param list<int> $one
     *
     * @throws InvalidInput
     */
    private static function ensure(array $one, int $points, string $field): void
    {
        foreach ($one as $point) {
            $point >= 0 && $point < $points || throw InvalidInput::in($field, sprintf(
                'There is no such point: %d %s given, counted from 1 as it is written and from 0 as JSON.', $points,
                1 === $points ? 'is' : 'are',
            ));
        }
        count(array_unique($one)) === count($one) || throw InvalidInput::in($field, 'A point stands twice in one of them.');
    }

    /**
     * @param list<mixed> $items
     *
     * @return array{pairs: list<array{int, int}>, triples: list<array{int, int, int}>, circles: list<list<int>>}
     *
     * @throws InvalidInput
     */
    private static function written(array $items, string $field): array
    {
        $asked = ['pairs' => [], 'triples' => [], 'circles' => []];
        foreach ($items as $item) {
            $text = is_string($item) ? mb_strtolower(trim($item)) : '';
            preg_match_all('~\d+~', $text, $found);
            $numbers = array_map(static fn (string $one): int => (int) $one - 1, $found[0]);
            if (str_starts_with($text, 'circle') && count($numbers) >= 3) {
                $asked['circles'][] = $numbers;
            } elseif (1 === preg_match('~\A\d+\s*-\s*\d+\z~', $text)) {
                $asked['pairs'][] = [$numbers[0] ?? 0, $numbers[1] ?? 0];
            } elseif (1 === preg_match('~\A\d+\s*-\s*\d+\s*-\s*\d+\z~', $text)) {
                $asked['triples'][] = [$numbers[0] ?? 0, $numbers[1] ?? 0, $numbers[2] ?? 0];
            } else {
                throw InvalidInput::in($field, sprintf('“%s” is none of these: 1-2, 1-3-2, circle 1 2 3 4.', $text));
            }
        }

        return $asked;
    }

    /**
     * @param list<mixed> $items
     *
     * @return array{pairs: list<array{int, int}>, triples: list<array{int, int, int}>, circles: list<list<int>>}
     *
     * @throws InvalidInput
     */
    private static function listed(array $items, string $field): array
    {
        $lists = [[], [], []];
        foreach (array_values($items) as $kind => $list) {
            is_array($list) && isset($lists[$kind]) || throw InvalidInput::in(
                $field, 'Three lists: of pairs, of triples, of circles, each a list of points from 0.',
            );
            foreach ($list as $one) {
                $points = is_array($one) ? array_values(array_filter($one, is_int(...))) : [];
                [$least, $most] = [[2, 2], [3, 3], [3, \PHP_INT_MAX]][$kind];
                is_array($one) && count($points) === count($one) && count($points) >= $least && count($points) <= $most
                    || throw InvalidInput::in($field, sprintf('In %s: each is a list of %s whole numbers.', self::NAMES[$kind],
                        ['two', 'three', 'three or more'][$kind]));
                $lists[$kind][] = $points;
            }
        }

        return [
            'pairs' => array_map(static fn (array $one): array => [$one[0], $one[1] ?? 0], $lists[0]),
            'triples' => array_map(static fn (array $one): array => [$one[0], $one[1] ?? 0, $one[2] ?? 0], $lists[1]),
            'circles' => $lists[2],
        ];
    }
}
