<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

/**
 * The humps in the voltage of a starter that cranks: how many compressions a second, and whether one stands under the others. The wave
 * is taken apart by rate, weighted towards the middle of the recording; each hump of a cycle is then fitted over all cycles. s and V.
 */
final readonly class CrankWave
{
    /** Turns a minute that are looked for. */
    private const SLOWEST = 70.0;
    private const FASTEST = 450.0;
    /** The slower a wave, the more the turning mass lets it show: that is taken off in part. */
    private const LEVEL = 1.1;
    private const EXPLAINS = 2.0;
    /** Of a step, the width of a weighted wave; and the step by the length of the recording. */
    private const LOBE = 0.133;
    private const STEP = 0.2;
    /** How far the wave stands out of what is only noise, V it has to have, and how far one hump stands under the others. */
    private const CLEAR = 4.0;
    private const HUMP = 0.006;
    private const BEYOND = 3.5;
    /** Of a wave, the share at half its rate, or in every other hump, from which that is the true one. */
    private const HALF = 0.5;
    /** Points that are looked at, at least, where there are as many; and those a hump has to have. */
    private const ENOUGH = 400;
    private const POINTS = 6;

    /**
     * @param non-empty-list<float> $times
     * @param non-empty-list<float> $volts about a straight line through them
     * @param non-empty-list<float> $weights
     */
    private function __construct(private array $times, private array $volts, private array $weights, private float $lasts)
    {
    }

    /** @param non-empty-list<array{float, float, float, float}> $samples posts and stud are taken together */
    public static function of(array $samples): self
    {
        // Points nearer together than the humps want are taken together.
        $groups = array_chunk($samples, max(1, intdiv(count($samples), self::ENOUGH)));
        $n = count($groups);
        $mean = static fn (array $group, int $column): float => array_sum(array_column($group, $column)) / count($group);
        $times = array_map(static fn (array $group): float => $mean($group, 0), $groups);
        $volts = array_map(static fn (array $group): float => ($mean($group, 1) + $mean($group, 2)) / 2, $groups);
        [$t, $v] = [array_sum($times) / $n, array_sum($volts) / $n];
        $st = $sv = 0.0;
        foreach ($times as $i => $time) {
            $st += ($time - $t) ** 2;
            $sv += ($time - $t) * ($volts[$i] - $v);
        }
        $slope = $st > 0.0 ? $sv / $st : 0.0;
        $lasts = max(1e-9, $times[$n - 1] - $times[0]);

        return new self(
            $times, array_map(static fn (float $time, float $volt): float => $volt - $v - $slope * ($time - $t), $times, $volts),
            array_map(static fn (float $time): float => sin(\M_PI * ($time - $times[0]) / $lasts) ** 2, $times), $lasts,
        );
    }

    /** Compressions a second; null where none stands out. */
    public function rate(int $cylinders): ?float
    {
        $step = self::STEP / $this->lasts;
        $fastest = min(self::FASTEST * $cylinders / 120, 0.45 * (count($this->times) - 1) / $this->lasts);
        $heights = [];
        for ($i = 0; $i * $step <= $fastest; ++$i) {
            $heights[] = $i * $step < 1.5 / $this->lasts ? 0.0 : $this->at($i * $step);
        }
        $slowest = self::SLOWEST * $cylinders / 120;
        [$at, $clear] = self::fundamental($heights, $cylinders, (int) ceil($slowest / $step));
        sort($heights);
        if (null === $at || $clear < max(self::HUMP, self::CLEAR * $heights[intdiv(count($heights), 2)])) {
            return null;
        }
        $rate = $this->peak($at * $step, $step);

        return $rate / 2 >= $slowest && $this->isTwice($rate, $cylinders) ? $this->peak($rate / 2, $step) : $rate;
    }

    /** How high the flattest hump is by the middle of the others. One that is under them by no more than what is unsure is not flat. */
    public function flattest(float $rate, int $cylinders): float
    {
        [$heights, $unsure] = $this->humps($rate, $cylinders);
        $at = (int) array_search(min($heights), $heights, true);
        $least = $heights[$at];
        unset($heights[$at]);
        sort($heights);
        $middle = $heights[intdiv(count($heights), 2)] ?? 0.0;

        return $middle <= 0.0 || $middle - $least < self::BEYOND * ($unsure[$at] ?? \INF) ? 1.0 : max(0.0, $least / $middle);
    }

    /**
     * Where a wave stands out and its parts, one for each cylinder, explain the others.
     *
     * @param list<float> $heights V at multiples of one step
     *
     * @return array{?int, float} at which step, V of its parts together
     */
    private static function fundamental(array $heights, int $cylinders, int $slowest): array
    {
        $squares = array_map(static fn (float $one): float => $one ** 2, $heights);
        $all = array_sum($squares) * self::LOBE;
        [$best, $high, $clear] = [null, 0.0, 0.0];
        for ($at = $slowest, $n = count($heights); $at < $n; ++$at) {
            $comb = 0.0;
            for ($part = 1; $part <= $cylinders; ++$part) {
                $comb += $squares[(int) round($at * $part / $cylinders)];
            }
            $score = $heights[$at] * $at ** self::LEVEL * min(1.0, $comb / max(1e-12, $all)) ** self::EXPLAINS;
            [$best, $high, $clear] = $score > $high ? [$at, $score, sqrt($comb)] : [$best, $high, $clear];
        }

        return [$best, $clear];
    }

    /** Whether the true humps come half as often: every other one is none, or with cylinders that do not pair, half the rate shows. */
    private function isTwice(float $rate, int $cylinders): bool
    {
        if (1 === $cylinders % 2) {
            return $this->at($rate / 2) > self::HALF * $this->at($rate);
        }
        $others = [[], []];
        foreach ($this->humps($rate, $cylinders)[0] as $i => $height) {
            $others[$i % 2][] = $height;
        }
        [$one, $other] = [max([0.0, ...$others[0]]), max([0.0, ...$others[1]])];

        return min($one, $other) < self::HALF * max($one, $other);
    }

    /** The rate at which it is highest, within a step. */
    private function peak(float $rate, float $step): float
    {
        [$under, $high, $over] = [$this->at($rate - $step), $this->at($rate), $this->at($rate + $step)];
        $bend = $under - 2 * $high + $over;

        return $rate + ($bend < -1e-12 ? max(-1.0, min(1.0, 0.5 * ($under - $over) / $bend)) : 0.0) * $step;
    }

    /**
     * Each hump of a cycle by itself, over all cycles.
     *
     * @return array{non-empty-array<int, float>, array<int, float>} V of each, and how unsure that is
     */
    private function humps(float $rate, int $cylinders): array
    {
        [$a, $b] = $this->parts($rate);
        $phase = atan2(-$b, $a) / (2 * \M_PI);
        $slow = $this->smoothed($cylinders / $rate);
        /** @var non-empty-array<int, list<array{float, float, float}>> $humps */
        $humps = array_fill(0, max(1, $cylinders), []);
        foreach ($this->times as $i => $time) {
            // A hump is a dip of the voltage: it stands in the middle of its part.
            $turns = $rate * $time + $phase;
            $one = (int) fmod(floor($turns) + 1000.0 * $cylinders, $cylinders);
            $humps[$one][] = [$this->weights[$i], cos(2 * \M_PI * $turns), $this->volts[$i] - $slow[$i]];
        }
        $fits = array_map(self::height(...), $humps);
        $left = sqrt(array_sum(array_column($fits, 1)) / max(1e-9, array_sum($this->weights)));

        return [
            array_map(static fn (array $fit): float => $fit[0], $fits), array_map(static fn (array $fit): float => $left * $fit[2], $fits),
        ];
    }

    /**
     * A wave and a level through one hump, by least squares.
     *
     * @param list<array{float, float, float}> $hump weight, cosine, V
     *
     * @return array{float, float, float} V of its height, what is left squared, how unsure it is by each volt that is left
     */
    private static function height(array $hump): array
    {
        $w = $wc = $wy = $wcc = $wcy = $wyy = 0.0;
        foreach ($hump as [$weight, $cos, $volt]) {
            $w += $weight;
            $wc += $weight * $cos;
            $wy += $weight * $volt;
            $wcc += $weight * $cos * $cos;
            $wcy += $weight * $cos * $volt;
            $wyy += $weight * $volt * $volt;
        }
        $spread = $wcc - $wc * $wc / max(1e-9, $w);
        if (count($hump) < self::POINTS || $spread < 0.1 * $w) {
            return [0.0, 0.0, \INF];
        }
        $height = ($wcy - $wc * $wy / $w) / $spread;

        return [$height, max(0.0, $wyy - $wy * $wy / $w - $height * $height * $spread), 1 / sqrt($spread)];
    }

    /** @return non-empty-list<float> the middle of what lies within half a span on either side */
    private function smoothed(float $span): array
    {
        $smooth = [];
        $n = count($this->times);
        [$from, $to, $sum] = [0, 0, 0.0];
        foreach ($this->times as $time) {
            for (; $to < $n && $this->times[$to] < $time + $span / 2; ++$to) {
                $sum += $this->volts[$to];
            }
            for (; $this->times[$from] < $time - $span / 2; ++$from) {
                $sum -= $this->volts[$from];
            }
            $smooth[] = $sum / max(1, $to - $from);
        }

        return $smooth;
    }

    /** V of a wave of that rate. */
    private function at(float $rate): float
    {
        return hypot(...$this->parts($rate));
    }

    /** @return array{float, float} V of its cosine and of its sine */
    private function parts(float $rate): array
    {
        $a = $b = 0.0;
        foreach ($this->times as $i => $time) {
            $turn = 2 * \M_PI * $rate * $time;
            $one = $this->weights[$i] * $this->volts[$i];
            $a += $one * cos($turn);
            $b += $one * sin($turn);
        }

        return [4 * $a / count($this->times), 4 * $b / count($this->times)];
    }
}
