<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use NimbleKnuckle\App\Intervals\IntervalBook;
use NimbleKnuckle\App\Intervals\MileageBook;
use Psr\Clock\ClockInterface;

/** What the clocks of the demo vehicles showed, and what is due on them by time and distance. */
final readonly class DemoIntervals
{
    public function __construct(private MileageBook $mileage, private IntervalBook $intervals, private ClockInterface $clock)
    {
    }

    public function load(string $by): void
    {
        $ago = fn (int $days): \DateTimeImmutable => $this->clock->now()->modify(sprintf('-%d days', $days));
        foreach ([
            ['pelliver-dray-18', 400, 58_300], ['pelliver-dray-18', 210, 66_900], ['pelliver-dray-18', 12, 75_400],
            ['corrin-drover-27d', 380, 301_200], ['corrin-drover-27d', 160, 309_800], ['corrin-drover-27d', 30, 314_700],
            ['askerby-roan-30t', 350, 88_000], ['askerby-roan-30t', 20, 97_600],
        ] as [$vehicle, $days, $km]) {
            $this->mileage->enter($vehicle, $km.' km', $by, $ago($days));
        }
        foreach ([
            ['pelliver-dray-18', 'Spark plugs', 'spark-plugs', 60_000, 48, 1290, 16_100],
            ['pelliver-dray-18', 'Accessory belt', 'serpentine-belt', 120_000, 96, 1290, 16_100],
            ['corrin-drover-27d', 'Oil filter housing seal', 'oil-filter-housing', 150_000, 0, 1800, 210_000],
            ['corrin-drover-27d', 'Gearbox oil', '', 100_000, 60, 1500, 226_000],
            ['askerby-roan-30t', 'Spark plugs', 'spark-plugs', 45_000, 36, 700, 71_000],
        ] as [$vehicle, $name, $procedure, $km, $months, $days, $at]) {
            $this->intervals->enter($vehicle, [
                'name' => $name, 'procedure' => $procedure, 'km' => $km.' km', 'months' => (string) $months,
                'done_on' => $ago($days)->format('Y-m-d'), 'done_km' => $at.' km',
            ], $by);
        }
    }
}
