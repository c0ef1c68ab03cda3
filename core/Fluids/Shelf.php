<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** Which containers to buy for so many litres: least left over first, then the fewest. Sizes and amounts in L. */
final readonly class Shelf
{
    private const MOST_LITRES = 100.0;
    /** Sizes are counted in hundredths of a litre. */
    private const GRAIN = 100;

    /**
     * @param non-empty-list<float> $sizes on the shelf, each more than 0
     *
     * @return array{bought: float, counts: array<string, int>} size as written => how many
     */
    public static function buy(float $litres, array $sizes): array
    {
        $needed = (int) ceil(min(self::MOST_LITRES, max(0.0, $litres)) * self::GRAIN - 1e-9);
        $grains = array_map(static fn (float $size): int => max(1, (int) round($size * self::GRAIN)), $sizes);
        $reach = $needed + max($grains);
        /** @var array<int, array{int, int}> $best total => number of containers, the last one taken */
        $best = [0 => [0, -1]];
        for ($total = 1; $total <= $reach; ++$total) {
            foreach ($grains as $i => $size) {
                $before = $best[$total - $size] ?? null;
                if (null !== $before && (!isset($best[$total]) || $before[0] + 1 < $best[$total][0])) {
                    $best[$total] = [$before[0] + 1, $i];
                }
            }
        }
        $total = $needed;
        while ($total < $reach && !isset($best[$total])) {
            ++$total;
        }
        $bought = $total / self::GRAIN;
        $counts = [];
        while ($total > 0 && isset($best[$total])) {
            $i = $best[$total][1];
            $key = rtrim(rtrim(sprintf('%.2F', $sizes[$i]), '0'), '.');
            $counts[$key] = ($counts[$key] ?? 0) + 1;
            $total -= $grains[$i];
        }
        krsort($counts, \SORT_NUMERIC);

        return ['bought' => $bought, 'counts' => $counts];
    }

    /** @param array<string, int> $counts */
    public static function inWords(array $counts): string
    {
        return implode(
            ' and ',
            array_map(
                static fn (string|int $size, int $count): string => sprintf('%d × %s L', $count, $size), array_keys($counts),
                $counts,
            ),
        );
    }
}
