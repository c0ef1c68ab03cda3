<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A part of a large set, another part at every commit. What is drawn from is fixed: NK_ALL=1 takes the whole of it, so that what
 * holds there holds in every sample. NK_SEED, which bin/test takes from the commit, says which part.
 */
final readonly class Sample
{
    private const ONE_IN = 10;

    public static function isWhole(): bool
    {
        return '' !== (string) getenv('NK_ALL');
    }

    public static function seed(): int
    {
        return (int) (getenv('NK_SEED') ?: 1);
    }

    /**
     * @template K of array-key
     * @template V
     *
     * @param iterable<K, V> $all
     * @param string $of what it is drawn from: two sets of one size do not fall alike
     * @param int $oneIn how many stand for one that is taken
     * @param int $least how many are taken at the least
     *
     * @return array<K, V> in their order, keys kept
     */
    public static function of(iterable $all, string $of, int $oneIn = self::ONE_IN, int $least = 1): array
    {
        $all = is_array($all) ? $all : iterator_to_array($all);
        $wanted = max($least, (int) ceil(count($all) / $oneIn));
        if (self::isWhole() || [] === $all || $wanted < 1 || $wanted >= count($all)) {
            return $all;
        }
        $keys = (new Randomizer(new Mt19937(crc32($of.' '.self::seed()))))->pickArrayKeys($all, $wanted);

        return array_intersect_key($all, array_flip($keys));
    }

    /** @return float what is to be reached of so many: exactly of the whole, of a part three times its chance spread less */
    public static function floor(float $share, int $of): float
    {
        return $share * $of - (self::isWhole() ? 0.0 : 3.0 * sqrt($of * $share * (1.0 - $share)));
    }

    /** @return list<int> seeds from 1 to so many, or a part of them */
    public static function seeds(int $all, string $of, int $oneIn = self::ONE_IN, int $least = 1): array
    {
        return array_values(self::of(array_combine(range(1, $all), range(1, $all)), $of, $oneIn, $least));
    }
}
