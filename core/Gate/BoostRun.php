<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/**
 * Boost over a run, where the throttle was open: does it reach its target and stay there. Samples are s, rpm, kPa over the air
 * outside, throttle in percent. Limits are working values.
 */
final readonly class BoostRun
{
    private const OPEN = 90.0;
    /** Of the target. */
    private const NEAR = 0.08;
    private const SWING = 0.08;
    private const SWINGS = 3;
    private const SPIKE = 0.12;
    private const FALLS = 0.15;
    private const CREEPS = 0.06;
    /** s */
    private const SOON = 1.0;
    private const SMOOTH = 0.12;
    private const LAST = 0.4;
    /** Of the limit: what the first run aims at, and what any run aims at at most. */
    private const FIRST = 0.7;
    private const UTMOST = 0.9;

    /**
     * @param ?float $reached rpm at which it first came near its target
     * @param ?float $settled kPa it stays at
     */
    private function __construct(
        public BoostFinding $finding, public float $peak, public ?float $reached, public ?float $settled, public float $at,
    ) {
    }

    /** What a run aims at under a limit, both in kPa: well below it at first. */
    public static function aim(float $limit, bool $isFirst): float
    {
        return ($isFirst ? self::FIRST : self::UTMOST) * $limit;
    }

    /**
     * @param non-empty-list<array{float, float, float, float}> $samples
     * @param callable(float): float $target kPa at so many rpm
     */
    public static function of(array $samples, callable $target, ?float $limit): ?self
    {
        $run = self::open($samples);
        if (count($run) < 4) {
            return null;
        }
        $boosts = self::smoothed($run);
        $peak = max($boosts);
        $at = $run[(int) array_search($peak, $boosts, true)][0];
        $ratios = array_map(static fn (float $kpa, array $one): float => $kpa / max(1e-9, $target($one[1])), $boosts, $run);
        $from = self::first($ratios, 1 - self::NEAR);
        $reached = null === $from ? null : $run[$from][1];
        $settled = null === $from ? null : Middle::of(array_slice($boosts, $from + intdiv(count($boosts) - $from, 2)));
        if (null !== $limit && $peak > $limit) {
            return new self(BoostFinding::OverLimit, $peak, $reached, $settled, $at);
        }

        return new self(self::judged($run, $ratios, $from), $peak, $reached, $settled, $at);
    }

    /**
     * @param non-empty-list<array{float, float, float, float}> $run
     * @param list<float> $ratios of its target
     */
    private static function judged(array $run, array $ratios, ?int $from): BoostFinding
    {
        if (null === $from) {
            return BoostFinding::Short;
        }
        $after = array_slice($ratios, $from);
        $times = array_slice(array_column($run, 0), $from);
        $last = self::last($after, $times);

        return match (true) {
            self::swings($after) >= self::SWINGS => BoostFinding::Hunting,
            self::spikes($after, $times) => BoostFinding::Spike,
            $last > 1 + self::CREEPS && self::rises($after) => BoostFinding::Creep,
            $last < (1 - self::FALLS) * max([0.0, ...$after]) => BoostFinding::Tapers,
            default => BoostFinding::Sound,
        };
    }

    /**
     * The longest stretch of open throttle.
     *
     * @param non-empty-list<array{float, float, float, float}> $samples
     *
     * @return list<array{float, float, float, float}>
     */
    private static function open(array $samples): array
    {
        $best = $now = [];
        foreach ($samples as $one) {
            $now = $one[3] > self::OPEN ? [...$now, $one] : [];
            $best = count($now) > count($best) ? $now : $best;
        }

        return $best;
    }

    /**
     * The middle of what lies around each: one reading that jumps is none.
     *
     * @param non-empty-list<array{float, float, float, float}> $run
     *
     * @return non-empty-list<float>
     */
    private static function smoothed(array $run): array
    {
        $smooth = [];
        [$low, $high, $n] = [0, 0, count($run)];
        foreach ($run as [$time]) {
            while ($run[$low][0] < $time - self::SMOOTH) {
                ++$low;
            }
            while ($high < $n && $run[$high][0] <= $time + self::SMOOTH) {
                ++$high;
            }
            $smooth[] = Middle::of(array_column(array_slice($run, $low, $high - $low), 2));
        }

        return $smooth;
    }

    /** @param list<float> $ratios */
    private static function first(array $ratios, float $least): ?int
    {
        foreach ($ratios as $i => $ratio) {
            if ($ratio >= $least) {
                return $i;
            }
        }

        return null;
    }

    /**
     * How often it goes up or down by more than a little, from one turn to the next; the way up to the target is none.
     *
     * @param list<float> $after
     */
    private static function swings(array $after): int
    {
        [$swings, $way, $turn] = [0, 0, $after[0] ?? 0.0];
        foreach ($after as $now) {
            if ($way >= 0 && $now > $turn || $way <= 0 && $now < $turn && 0 !== $way) {
                $turn = $now;
            } elseif (abs($now - $turn) > self::SWING) {
                ++$swings;
                $way = $now > $turn ? 1 : -1;
                $turn = $now;
            }
        }

        return $swings;
    }

    /**
     * @param list<float> $after
     * @param list<float> $times
     */
    private static function spikes(array $after, array $times): bool
    {
        $on = self::first($after, 1.0);
        if (null === $on) {
            return false;
        }
        $peak = null;
        foreach ($after as $i => $ratio) {
            if ($i >= $on && $times[$i] <= $times[$on] + self::SOON && $ratio > 1 + self::SPIKE && $ratio > ($after[$peak] ?? 0.0)) {
                $peak = $i;
            }
        }
        if (null === $peak) {
            return false;
        }

        return min([\INF, ...array_slice($after, $peak)]) < 1 + self::SPIKE / 2;
    }

    /** @param list<float> $after */
    private static function rises(array $after): bool
    {
        $half = intdiv(count($after), 2);
        $points = [];
        foreach (array_slice($after, $half) as $i => $ratio) {
            $points[] = [(float) $i, $ratio];
        }
        $line = Line::through($points);

        return null !== $line && $line->slope * count($points) > self::CREEPS / 3;
    }

    /**
     * @param list<float> $after
     * @param list<float> $times
     */
    private static function last(array $after, array $times): float
    {
        $end = $times[count($times) - 1] ?? 0.0;
        $last = array_values(array_filter(
            $after, static fn (int $i): bool => $times[$i] >= $end - self::LAST, \ARRAY_FILTER_USE_KEY,
        ));

        return Middle::of($last);
    }
}
