<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

/** Ranges on one scale and the figures they are wanted for, places in percent of the width; the scale is logarithmic. */
final readonly class RangeDrawing
{
    /**
     * @param list<array{name: string, from: float, to: float, usable: float, late: bool}> $bars
     * @param list<array{at: float, text: string, wanted: bool}> $ticks
     */
    private function __construct(public array $bars, public array $ticks)
    {
    }

    /**
     * @param non-empty-list<array{name: string, min: float, max: float, usable: float, late: bool}> $ranges
     * @param list<float> $wanted
     */
    public static function of(array $ranges, array $wanted): self
    {
        $all = [...array_column($ranges, 'min'), ...array_column($ranges, 'max'), ...$wanted];
        [$low, $high] = [log(max(0.1, 0.8 * min($all))), log(1.25 * max($all))];
        $place = static fn (float $v): float => 100 * (log(max(0.1, $v)) - $low) / ($high - $low);
        $ticks = [];
        foreach ([1, 2, 5, 10, 20, 50, 100, 200, 500, 1000] as $tick) {
            if (log($tick) >= $low && log($tick) <= $high) {
                $ticks[] = ['at' => $place($tick), 'text' => (string) $tick, 'wanted' => false];
            }
        }
        foreach ($wanted as $value) {
            $ticks[] = ['at' => $place($value), 'text' => rtrim(rtrim(sprintf('%.1f', $value), '0'), '.'), 'wanted' => true];
        }

        return new self(
            array_map(
                static fn (array $r): array => [
                    'name' => $r['name'], 'from' => $place($r['min']), 'to' => $place($r['max']), 'usable' => $place($r['usable']),
                    'late' => $r['late'],
                ],
                $ranges,
            ),
            $ticks,
        );
    }
}
