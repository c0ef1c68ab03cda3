<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Sum\InvalidInput;

/** Torque against angle as a wrench wrote it down, put in order for judging: degrees rise, the letting go is cut off. */
final readonly class Trace
{
    private const LEAST = 5;
    /** Share of the reading a wrench is off from sample to sample, where the trace is too short to show it. */
    private const NOISE = 0.01;

    /**
     * @param non-empty-list<float> $angles of the head, rising
     * @param non-empty-list<float> $torques N·m, a little smoothed
     * @param list<float> $times ms, empty where none were given
     * @param non-empty-list<float> $raw N·m as they came
     * @param float $reached N·m at the end, by the last samples together
     */
    private function __construct(
        public array $angles,
        public array $torques,
        public array $times,
        public array $raw,
        public float $peak,
        public float $reached,
        public Grain $grain,
        public RisingCurve $rising,
    ) {
    }

    /**
     * @param list<non-empty-list<float>> $samples [degrees, N·m] or [degrees, N·m, ms]
     *
     * @throws InvalidInput
     */
    public static function of(array $samples): self
    {
        count($samples) >= self::LEAST || throw InvalidInput::in(
            'samples', sprintf('%d samples are too few to judge: a wrench gives at least %d.', count($samples), self::LEAST),
        );
        $torques = array_map(static fn (array $sample): float => $sample[1] ?? 0.0, $samples);
        $peak = max($torques);
        $peak > 0.0 || throw InvalidInput::in('samples', 'No torque stands in this trace.');
        min($torques) >= -0.05 * $peak || throw InvalidInput::in('samples', 'Torque below zero: this trace undoes the bolt.');
        $samples = Swings::joined($samples, $peak);
        $angles = array_map(static fn (array $sample): float => $sample[0], $samples);
        $torques = array_map(static fn (array $sample): float => $sample[1] ?? 0.0, $samples);
        $times = array_values(array_filter(array_map(static fn (array $sample): ?float => $sample[2] ?? null, $samples), is_float(...)));
        $angles[count($angles) - 1] > $angles[0] || throw InvalidInput::in('samples', 'The angle never moves: no slope can be found.');
        $smooth = self::smoothed($torques);

        return new self(
            $angles, $smooth, count($times) === count($torques) ? $times : [], $torques, max($smooth), self::atTheEnd($angles, $torques),
            new Grain(self::noiseOf($torques), self::spacingOf($angles, $torques)), RisingCurve::of($angles, $torques),
        );
    }

    /**
     * The torque at the last angle, by a line through the last samples of the upper half.
     *
     * @param non-empty-list<float> $angles
     * @param non-empty-list<float> $torques
     */
    private static function atTheEnd(array $angles, array $torques): float
    {
        $last = count($torques) - 1;
        $most = max($torques);
        $x = $y = [];
        for ($i = $last; $i >= 0 && $torques[$i] > 0.5 * $most && count($x) < 10; --$i) {
            $x[] = $angles[$i] - $angles[$last];
            $y[] = $torques[$i];
        }
        $n = count($x);
        if ($n < 3) {
            return $torques[$last];
        }
        [$mx, $my] = [array_sum($x) / $n, array_sum($y) / $n];
        [$xx, $xy] = [0.0, 0.0];
        foreach ($x as $i => $one) {
            $xx += ($one - $mx) ** 2;
            $xy += ($one - $mx) * ($y[$i] - $my);
        }

        return $xx < 1e-9 ? $my : $my - $mx * max(0.0, $xy / $xx);
    }

    /**
     * How far a reading is off the line between its neighbours, where it rises: the middle one of all, as a standard deviation.
     *
     * @param non-empty-list<float> $torques
     */
    private static function noiseOf(array $torques): float
    {
        $off = [];
        $most = max($torques);
        for ($i = 1, $last = count($torques) - 1; $i < $last; ++$i) {
            if ($torques[$i] > 0.3 * $most) {
                $off[] = abs($torques[$i] - ($torques[$i - 1] + $torques[$i + 1]) / 2) / $torques[$i];
            }
        }
        sort($off);

        return count($off) < 4 ? self::NOISE : 1.21 * $off[intdiv(count($off), 2)];
    }

    /**
     * @param non-empty-list<float> $angles
     * @param non-empty-list<float> $torques
     */
    private static function spacingOf(array $angles, array $torques): float
    {
        $gaps = [];
        $most = max($torques);
        foreach ($torques as $i => $torque) {
            if ($i > 0 && $torque > 0.15 * $most && $angles[$i] > $angles[$i - 1]) {
                $gaps[] = $angles[$i] - $angles[$i - 1];
            }
        }
        sort($gaps);

        return [] === $gaps ? 1.0 : $gaps[intdiv(count($gaps), 2)];
    }

    /** N·m a degree at least: from the last sample that lies low to the first that lies high. */
    public function slopeAcross(float $drag): float
    {
        $rise = $this->reached - $drag;
        $high = 0;
        while ($high < $this->count() - 1 && $this->raw[$high] < $drag + 0.85 * $rise) {
            ++$high;
        }
        $low = $high;
        while ($low > 0 && $this->raw[$low] > $drag + 0.12 * $rise) {
            --$low;
        }
        $turned = $this->angles[$high] - $this->angles[$low];

        return $turned > 1e-6 ? max(0.0, $this->raw[$high] - $this->raw[$low]) / $turned : 0.0;
    }

    /** How far the torque at the end may be off, N·m. */
    public function doubt(): float
    {
        return min(0.03, 0.8 * $this->grain->noise) * $this->reached;
    }

    public function count(): int
    {
        return count($this->angles);
    }

    public function finalTorque(): float
    {
        return $this->raw[count($this->raw) - 1];
    }

    public function finalAngle(): float
    {
        return $this->angles[count($this->angles) - 1];
    }

    /** Angle at which the torque first reaches so many N·m, between samples; the last angle where it never does. */
    public function angleAt(float $torque): float
    {
        foreach ($this->torques as $i => $reached) {
            if ($reached >= $torque) {
                $before = $this->torques[$i - 1] ?? $reached;
                $share = $reached > $before ? ($torque - $before) / ($reached - $before) : 1.0;
                $from = $this->angles[$i - 1] ?? $this->angles[$i];

                return $from + max(0.0, min(1.0, $share)) * ($this->angles[$i] - $from);
            }
        }

        return $this->finalAngle();
    }

    /** Least-squares slope between two angles, N·m a degree; 0 where too little lies between. */
    public function slope(float $from, float $to): float
    {
        [$n, $sx, $sy, $sxx, $sxy] = [0, 0.0, 0.0, 0.0, 0.0];
        foreach ($this->angles as $i => $x) {
            if ($x >= $from && $x <= $to) {
                $y = $this->torques[$i];
                ++$n;
                $sx += $x;
                $sy += $y;
                $sxx += $x * $x;
                $sxy += $x * $y;
            }
        }
        $spread = $n * $sxx - $sx * $sx;

        return $n >= 2 && $spread > 1e-9 ? ($n * $sxy - $sx * $sy) / $spread : 0.0;
    }

    /**
     * The greatest rise of torque within ten milliseconds that is no noise of the reading, N·m; 0 where no times are given.
     */
    public function steepestTenMs(): float
    {
        $most = 0.0;
        $last = 0;
        $steady = self::middles($this->raw);
        foreach ($this->times as $i => $ms) {
            while ($last < $i && $ms - $this->times[$last] > 10.0 + 1e-6 && $ms - $this->times[$last + 1] >= 10.0 - 1e-6) {
                ++$last;
            }
            $passed = $ms - $this->times[$last];
            if ($passed > 1e-6) {
                $share = min(1.0, 10.0 / $passed);
                $step = ($this->raw[$i] - $this->raw[$last]) * $share;
                $most = max($most, $step > 6.0 * $this->grain->noise * $this->raw[$i] ? $step : ($steady[$i] - $steady[$last]) * $share);
            }
        }

        return $most;
    }

    /**
     * The middle one of five.
     *
     * @param non-empty-list<float> $values
     *
     * @return non-empty-list<float>
     */
    private static function middles(array $values): array
    {
        $middles = [];
        foreach (array_keys($values) as $i) {
            $around = array_slice($values, max(0, $i - 2), min(5, $i + 3));
            sort($around);
            $middles[] = $around[intdiv(count($around), 2)] ?? 0.0;
        }

        return $middles;
    }

    /**
     * Median of three, then a mean of three: a lone spike goes, an edge stays.
     *
     * @param non-empty-list<float> $torques
     *
     * @return non-empty-list<float>
     */
    private static function smoothed(array $torques): array
    {
        $middle = self::overThree($torques, static function (float $a, float $b, float $c): float {
            return max(min($a, $b), min(max($a, $b), $c));
        });

        return self::overThree($middle, static fn (float $a, float $b, float $c): float => ($a + $b + $c) / 3);
    }

    /**
     * @param non-empty-list<float> $values
     * @param callable(float, float, float): float $of
     *
     * @return non-empty-list<float> the ends as they were
     */
    private static function overThree(array $values, callable $of): array
    {
        $last = count($values) - 1;
        $out = [$values[0]];
        for ($i = 1; $i < $last; ++$i) {
            $out[] = $of($values[$i - 1], $values[$i], $values[$i + 1]);
        }

        return $last > 0 ? [...$out, $values[$last]] : $out;
    }
}
