<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

/** Rows of a curve as what the core takes. */
final readonly class Pairs
{
    /**
     * @param list<list<float>> $samples
     *
     * @return ($samples is non-empty-list ? non-empty-list<array{float, float}> : list<array{float, float}>)
     */
    public static function of(array $samples): array
    {
        return array_map(static fn (array $one): array => [$one[0] ?? 0.0, $one[1] ?? 0.0], $samples);
    }

    /**
     * @param list<list<float>> $samples
     *
     * @return ($samples is non-empty-list ? non-empty-list<array{float, float, float, float}> : list<array{float, float, float, float}>)
     */
    public static function fours(array $samples): array
    {
        return array_map(static fn (array $one): array => [$one[0] ?? 0.0, $one[1] ?? 0.0, $one[2] ?? 0.0, $one[3] ?? 0.0], $samples);
    }
}
