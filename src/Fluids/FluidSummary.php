<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Due\Every;
use NimbleKnuckle\Core\Due\Forecast;
use NimbleKnuckle\Core\Due\Mileage;
use NimbleKnuckle\Core\Fluids\Consumption;
use NimbleKnuckle\Core\Fluids\DipScale;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Vehicle\Circuit;

/** What a vehicle's fluid log says: the record as it stands, what the last top-up means, the plots. */
final readonly class FluidSummary
{
    /** Percent strength further than this from what is wanted is said. */
    private const OFF_TARGET = 5.0;

    public function __construct(private SumBook $sums)
    {
    }

    /**
     * @param list<FluidEntry> $entries oldest first
     *
     * @return array<string, mixed>
     */
    public function coolant(Circuit $circuit, array $entries, \DateTimeImmutable $now, Mileage $clock): array
    {
        $filled = self::last($entries, static fn (FluidEntry $e): bool => FluidKind::Filled === $e->kind);
        $strength = self::last($entries, static fn (FluidEntry $e): bool => null !== $e->percent)->percent ?? null;
        $topped = null === $filled ? [] : array_values(
            array_filter($entries, static fn (FluidEntry $e): bool => FluidKind::ToppedUp === $e->kind && $e->at > $filled->at),
        );

        return [
            'circuit' => $circuit, 'entries' => array_reverse($entries), 'filled' => $filled, 'strength' => $strength,
            'months' => null === $filled ? null : (int) floor(($now->getTimestamp() - $filled->at->getTimestamp()) / 86400 / 30.44),
            'protect' => null === $strength ? null : $this->run(
                'coolant-protect',
                [
                    'base' => str_contains($circuit->blend->base, 'propylene') ? 'pg' : 'eg', 'percent' => $strength,
                    'cap' => $circuit->plumbing->cap,
                ],
            ),
            'interval' => self::interval($circuit, $clock, $filled, $now),
            'offTarget' => null !== $strength && abs($strength - $circuit->blend->target) > self::OFF_TARGET,
            'level' => $this->level($circuit, $strength, $topped[0] ?? null),
            'plot' => $this->strengthPlot($circuit, $entries),
            'toppedPlot' => $this->toppedPlot($entries),
            'mixed' => null !== $filled && self::isOther($filled->family, $circuit->blend->family),
        ];
    }

    /**
     * @param list<FluidEntry> $entries oldest first
     *
     * @return array<string, mixed>
     */
    public function oil(?Circuit $circuit, array $entries, \DateTimeImmutable $now, Mileage $clock): array
    {
        $scale = DipScale::learn(array_values(array_map(
            static fn (FluidEntry $e): array => [
                'litres' => $e->litres ?? 0.0, 'before' => $e->dipBefore ?? 0.0, 'after' => $e->dipAfter ?? 0.0,
            ],
            array_filter(
                $entries, static fn (FluidEntry $e): bool => null !== $e->litres && null !== $e->dipBefore && null !== $e->dipAfter,
            ),
        )));
        $filled = self::last($entries, static fn (FluidEntry $e): bool => FluidKind::Filled === $e->kind);
        $since = array_values(
            array_filter($entries, static fn (FluidEntry $e): bool => null !== $filled && $e->at >= $filled->at && null !== $e->km),
        );
        $dip = self::last($entries, static fn (FluidEntry $e): bool => null !== $e->dipAfter);

        return [
            'entries' => array_reverse($entries), 'scale' => $scale,
            'interval' => null === $circuit ? null : self::interval($circuit, $clock, $filled, $now), 'filled' => $filled,
            'dip' => $dip,
            'months' => null === $filled ? null : (int) floor(($now->getTimestamp() - $filled->at->getTimestamp()) / 86400 / 30.44),
            'used' => Consumption::of(
                array_map(static fn (FluidEntry $e): array => ['km' => $e->km ?? 0.0, 'litres' => $e->litres ?? 0.0], $since),
            ),
            'plot' => $this->dipPlot($entries),
        ];
    }

    /** When it is to be changed; null where nobody says how often, or when it was filled. */
    private static function interval(Circuit $circuit, Mileage $clock, ?FluidEntry $filled, \DateTimeImmutable $now): ?Forecast
    {
        $every = new Every($circuit->every->months, $circuit->every->km);
        $next = null === $filled || !$every->isSet() ? null : Forecast::of($every, $filled->at, $filled->km, $clock, $now);

        return null === $next?->monthsLeft && null === $next?->kmLeft ? null : $next;
    }

    /** @param list<FluidEntry> $entries */
    private function strengthPlot(Circuit $circuit, array $entries): ?Plot
    {
        $points = self::monthly(
            array_filter($entries, static fn (FluidEntry $e): bool => null !== $e->percent),
            static fn (FluidEntry $e): float => $e->percent ?? 0.0,
        );
        if (count($points) < 2) {
            return null;
        }
        $last = $points[count($points) - 1];

        return Plot::over(
            sprintf('Strength over months, now %s percent', Show::n($last[1], 3)), 'months', [0.0, max(1.0, $last[0] * 1.08)], '%',
            [0.0, 65.0],
        )
            ->area(
                $circuit->blend->target - self::OFF_TARGET, $circuit->blend->target + self::OFF_TARGET,
            )->line($points, 'trace')->dot($last[0], $last[1], Show::n($last[1], 3).' %');
    }

    /** @param list<FluidEntry> $entries */
    private function toppedPlot(array $entries): ?Plot
    {
        $points = self::monthly(
            array_filter($entries, static fn (FluidEntry $e): bool => FluidKind::ToppedUp === $e->kind && null !== $e->litres),
            static fn (FluidEntry $e): float => $e->litres ?? 0.0,
        );
        if (count($points) < 2) {
            return null;
        }
        $plot = Plot::over(
            'Litres topped up over months', 'months', [0.0, max(1.0, $points[count($points) - 1][0] * 1.08)], 'L',
            [0.0, max(array_column($points, 1)) * 1.4],
        );
        foreach ($points as $point) {
            $plot = $plot->line([[$point[0], 0.0], $point])->dot($point[0], $point[1], Show::n($point[1], 2));
        }

        return $plot;
    }

    /** @param list<FluidEntry> $entries */
    private function dipPlot(array $entries): ?Plot
    {
        $points = [];
        foreach ($entries as $entry) {
            if (null !== $entry->km && null !== $entry->dipBefore) {
                $points[] = [$entry->km, $entry->dipBefore];
            }
            if (null !== $entry->km && null !== $entry->dipAfter) {
                $points[] = [$entry->km, $entry->dipAfter];
            }
        }
        if (count($points) < 3) {
            return null;
        }

        return Plot::over(
            'Dipstick over distance', 'km', [$points[0][0], max($points[0][0] + 10.0, $points[count($points) - 1][0])], 'mm',
            [0.0, max(array_column($points, 1)) * 1.3],
        )
            ->line($points, 'trace')->dot(
                $points[count($points) - 1][0], $points[count($points) - 1][1], Show::n($points[count($points) - 1][1], 3).' mm',
            );
    }

    /**
     * @param array<array-key, FluidEntry> $entries
     * @param callable(FluidEntry): float $value
     *
     * @return list<array{float, float}> months since the first, value
     */
    private static function monthly(array $entries, callable $value): array
    {
        $entries = array_values($entries);
        $first = [] === $entries ? 0 : $entries[0]->at->getTimestamp();

        return array_map(static fn (FluidEntry $e): array => [($e->at->getTimestamp() - $first) / 86400 / 30.44, $value($e)], $entries);
    }

    private function level(Circuit $circuit, ?float $strength, ?FluidEntry $topped): SumResult|string
    {
        return $this->run('coolant-level', [
            'volume' => $circuit->capacity, 'percent' => $strength ?? 50.0, 'cold' => 15,
            'hot' => $circuit->plumbing->opens > 0 ? $circuit->plumbing->opens + 4 : 92,
        ] + ($circuit->plumbing->marks > 0 ? ['marks' => $circuit->plumbing->marks] : []) + (null === $topped ? [] : [
            'topped_up' => min($circuit->capacity, $topped->litres ?? 0.0),
        ]));
    }

    /** Two families by name, both known. */
    private static function isOther(string $one, string $other): bool
    {
        return '' !== $one && '' !== $other && mb_strtolower($one) !== mb_strtolower($other);
    }

    /**
     * The answer, or why there is none.
     *
     * @param array<string, mixed> $in
     */
    private function run(string $sum, array $in): SumResult|string
    {
        try {
            return $this->sums->run($sum, $in);
        } catch (InvalidInput $e) {
            return $e->getMessage();
        }
    }

    /**
     * @param list<FluidEntry> $entries
     * @param callable(FluidEntry): bool $is
     */
    private static function last(array $entries, callable $is): ?FluidEntry
    {
        $found = array_values(array_filter($entries, $is));

        return $found[count($found) - 1] ?? null;
    }
}
