<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo\Door;

use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * What is to be measured: as JSON lists of pairs, of triples, of circles and of offsets, with points from 0; or as a person writes it,
 * “1-2; 1-3-2; circle 1 2 3 4; 3 off 1-2”, with points from 1.
 *
 * @phpstan-type Asked array{
 *     pairs: list<array{int, int}>, triples: list<array{int, int, int}>, circles: list<list<int>>, offsets: list<array{int, int, int}>
 * }
 */
final readonly class Measures
{
    private const MOST = 50;
    /** Kind => how many points at the least and at the most, in words, and as a person writes it. */
    private const KINDS = [
        'pairs' => [2, 2, 'two', '~\A\d+\s*-\s*\d+\z~'],
        'triples' => [3, 3, 'three', '~\A\d+\s*-\s*\d+\s*-\s*\d+\z~'],
        'circles' => [3, \PHP_INT_MAX, 'three or more', '~\Acircle\s+\d+(?:\D+\d+){2,}\D*\z~'],
        'offsets' => [3, 3, 'three', '~\A\d+\s+off\s+\d+\s*-\s*\d+\z~'],
    ];

    /**
     * @return Asked points, from 0
     *
     * @throws InvalidInput
     */
    public static function read(Inputs $in, string $field, int $points): array
    {
        $items = $in->items($field);
        $raw = $in->raw[$field] ?? null;
        $isWritten = is_string($raw) && 1 !== preg_match('~\A\s*\[~', $raw) || [] !== array_filter($items, is_string(...));
        $asked = $isWritten ? self::written($items, $field) : self::listed($items, $field);
        $all = array_merge(...array_values($asked));
        [] !== $all || throw InvalidInput::in($field, 'Say what to measure: 1-2 a distance, 1-3-2 an angle, circle 1 2 3 4, 3 off 1-2.');
        count($all) <= self::MOST || throw InvalidInput::in($field, sprintf('%d things at most in one picture.', self::MOST));
        foreach ($all as $one) {
            self::ensure($one, $points, $field);
        }

        return self::typed($asked);
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
     * @return array<string, list<list<int>>>
     *
     * @throws InvalidInput
     */
    private static function written(array $items, string $field): array
    {
        $asked = array_fill_keys(array_keys(self::KINDS), []);
        foreach ($items as $item) {
            $text = is_string($item) ? mb_strtolower(trim($item)) : '';
            $kind = self::kindOf($text) ?? throw InvalidInput::in(
                $field, sprintf('“%s” is none of these: 1-2, 1-3-2, circle 1 2 3 4, 3 off 1-2.', $text),
            );
            preg_match_all('~\d+~', $text, $found);
            $asked[$kind][] = array_map(static fn (string $one): int => (int) $one - 1, $found[0]);
        }

        return $asked;
    }

    private static function kindOf(string $text): ?string
    {
        foreach (self::KINDS as $kind => [, , , $pattern]) {
            if (1 === preg_match($pattern, $text)) {
                return $kind;
            }
        }

        return null;
    }

    /**
     * @param list<mixed> $items
     *
     * @return array<string, list<list<int>>>
     *
     * @throws InvalidInput
     */
    private static function listed(array $items, string $field): array
    {
        $asked = array_fill_keys($kinds = array_keys(self::KINDS), []);
        foreach (array_values($items) as $i => $list) {
            is_array($list) && isset($kinds[$i]) || throw InvalidInput::in(
                $field, 'Lists of pairs, of triples, of circles and of offsets, each a list of points from 0.',
            );
            foreach ($list as $one) {
                $asked[$kinds[$i]][] = self::points($one, $kinds[$i], $field);
            }
        }

        return $asked;
    }

    /**
     * @return list<int>
     *
     * @throws InvalidInput
     */
    private static function points(mixed $one, string $kind, string $field): array
    {
        [$least, $most, $said] = self::KINDS[$kind];
        $given = is_array($one) ? array_values($one) : [];
        $points = array_values(array_filter($given, is_int(...)));
        count($points) === count($given) && count($points) >= $least && count($points) <= $most || throw InvalidInput::in(
            $field, sprintf('In %s: each is a list of %s whole numbers.', $kind, $said),
        );

        return $points;
    }

    /**
     * @param array<string, list<list<int>>> $asked
     *
     * @return Asked
     */
    private static function typed(array $asked): array
    {
        return [
            'pairs' => array_map(static fn (array $one): array => [$one[0] ?? 0, $one[1] ?? 0], $asked['pairs']),
            'triples' => array_map(self::three(...), $asked['triples']), 'circles' => $asked['circles'],
            'offsets' => array_map(self::three(...), $asked['offsets']),
        ];
    }

    /**
     * @param list<int> $one
     *
     * @return array{int, int, int}
     */
    private static function three(array $one): array
    {
        return [$one[0] ?? 0, $one[1] ?? 0, $one[2] ?? 0];
    }
}
