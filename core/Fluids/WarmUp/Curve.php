<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

use NimbleKnuckle\Core\Sum\InvalidInput;

/** Temperature over time, cut into what a judge looks at. Times in s from the first sample, temperatures in °C, slopes in K/s. */
final readonly class Curve
{
    private const LEAST = 5;

    /**
     * @param non-empty-list<float> $times
     * @param non-empty-list<float> $temperatures
     */
    private function __construct(public array $times, public array $temperatures, public float $spacing)
    {
    }

    /**
     * @param list<list<float>> $samples
     *
     * @throws InvalidInput when there are too few, or the time does not go forward
     */
    public static function of(array $samples): self
    {
        count($samples) >= self::LEAST || throw InvalidInput::in(
            'samples', sprintf('A curve needs at least %d samples of seconds and °C.', self::LEAST),
        );
        $times = $temperatures = [];
        foreach ($samples as $i => $sample) {
            [$time, $temperature] = [$sample[0], $sample[1] ?? 0.0];
            $time > ($times[$i - 1] ?? -\INF) || throw InvalidInput::in(
                'samples', sprintf('Sample %d is not later than the one before: seconds first, then °C.', $i + 1),
            );
            $temperature > -60.0 && $temperature < 200.0 || throw InvalidInput::in(
                'samples', sprintf('Sample %d: %s °C is no coolant. Give °C.', $i + 1, $temperature),
            );
            $times[] = $time;
            $temperatures[] = $temperature;
        }

        return new self($times, $temperatures, ($times[count($times) - 1] - $times[0]) / (count($times) - 1));
    }

    public function count(): int
    {
        return count($this->times);
    }

    public function start(): float
    {
        return min($this->temperatures[0], $this->temperatures[1] ?? \INF, $this->temperatures[2] ?? \INF);
    }

    public function duration(): float
    {
        return $this->times[$this->count() - 1] - $this->times[0];
    }

    public function highest(): float
    {
        return max($this->temperatures);
    }

    public function last(): float
    {
        return $this->temperatures[$this->count() - 1];
    }

    /** The place of the first sample at or over this temperature that stays for the one after; null where none. */
    public function firstAt(float $temperature): ?int
    {
        foreach ($this->temperatures as $i => $t) {
            if ($t >= $temperature && ($this->temperatures[$i + 1] ?? $t) >= $temperature - 1.0) {
                return $i;
            }
        }

        return null;
    }

    /** Least-squares slope of the samples within so many seconds either side; null with fewer than three. */
    public function slopeAround(int $i, float $halfWindow): ?float
    {
        $from = $to = $i;
        while ($from > 0 && $this->times[$from - 1] >= $this->times[$i] - $halfWindow) {
            --$from;
        }
        while ($to < $this->count() - 1 && $this->times[$to + 1] <= $this->times[$i] + $halfWindow) {
            ++$to;
        }

        return $this->slopeBetween($from, $to);
    }

    public function slopeBetween(int $from, int $to): ?float
    {
        $n = $to - $from + 1;
        if ($n < 3) {
            return null;
        }
        [$times, $temperatures] = [array_slice($this->times, $from, $n), array_slice($this->temperatures, $from, $n)];
        $line = [] === $times || [] === $temperatures ? null : self::line($times, $temperatures);

        return null === $line ? null : $line[1];
    }

    /**
     * How the slope itself falls with temperature while it warms: [a, b] of slope = a − b T, from windows between two places.
     *
     * @return array{float, float}|null
     */
    public function trend(int $from, int $to, float $halfWindow): ?array
    {
        $temperatures = $slopes = [];
        $next = -\INF;
        for ($i = $from; $i <= $to; ++$i) {
            if ($this->times[$i] >= $next && null !== $slope = $this->slopeAround($i, $halfWindow)) {
                $temperatures[] = $this->temperatures[$i];
                $slopes[] = $slope;
                $next = $this->times[$i] + $halfWindow / 2;
            }
        }
        if ([] === $slopes || [] === $temperatures) {
            return null;
        }
        if (count($slopes) < 4) {
            return [array_sum($slopes) / count($slopes), 0.0];
        }
        $line = self::line($temperatures, $slopes);

        return null === $line || $line[1] >= 0.0 ? [array_sum($slopes) / count($slopes), 0.0] : [$line[0], -$line[1]];
    }

    /**
     * Jumps: more than so many kelvin within so many seconds, and far more than the warming itself gives.
     *
     * @return list<array{from: float, to: float, at: float}> from and to °C, at s
     */
    public function jumps(float $kelvin, float $seconds, float $rate): array
    {
        $jumps = [];
        $n = $this->count();
        for ($i = 0; $i < $n; ++$i) {
            for ($j = $i + 1; $j < $n && ($dt = $this->times[$j] - $this->times[$i]) <= $seconds; ++$j) {
                $change = $this->temperatures[$j] - $this->temperatures[$i];
                if (abs($change) > max($kelvin, 2.5 * abs($rate) * $dt)) {
                    $jumps[] = ['from' => $this->temperatures[$i], 'to' => $this->temperatures[$j], 'at' => $this->times[$i]];
                    $i = $j;
                    break;
                }
            }
        }

        return $jumps;
    }

    /**
     * Dips: a fall of at least so many kelvin from a high, and what it came back to before it fell again.
     *
     * @return list<array{from: float, low: float, back: float, at: float, until: float}> °C, and s of where it began to fall, and its low
     */
    public function dips(float $kelvin): array
    {
        $dips = [];
        [$high, $highAt, $low, $lowAt, $falls] = [$this->temperatures[0], $this->times[0], \INF, $this->times[0], false];
        foreach ($this->temperatures as $i => $t) {
            $at = $this->times[$i];
            if (!$falls) {
                $highAt = $t >= $high - $kelvin / 3 ? $at : $highAt;
                $high = max($high, $t);
                [$falls, $low, $lowAt] = $t <= $high - $kelvin ? [true, $t, $at] : [false, \INF, $at];
                continue;
            }
            [$low, $lowAt] = $t <= $low ? [$t, $at] : [$low, $lowAt];
            if ($t >= $low + max($kelvin, 0.5 * ($high - $low))) {
                $dips[] = ['from' => $high, 'low' => $low, 'back' => $t, 'at' => $highAt, 'until' => $lowAt];
                [$high, $highAt, $falls] = [$t, $at, false];
            }
        }

        return $falls ? [...$dips, ['from' => $high, 'low' => $low, 'back' => $this->last(), 'at' => $highAt, 'until' => $lowAt]] : $dips;
    }

    public function median(int $from): float
    {
        $rest = array_slice($this->temperatures, $from);
        sort($rest);

        return $rest[intdiv(count($rest), 2)] ?? $this->last();
    }

    /**
     * @param non-empty-list<float> $xs
     * @param non-empty-list<float> $ys
     *
     * @return array{float, float}|null height at nought, slope
     */
    private static function line(array $xs, array $ys): ?array
    {
        $n = count($xs);
        [$mx, $my] = [array_sum($xs) / $n, array_sum($ys) / $n];
        $sxx = $sxy = 0.0;
        foreach ($xs as $i => $x) {
            $sxx += ($x - $mx) ** 2;
            $sxy += ($x - $mx) * ($ys[$i] - $my);
        }

        return $sxx < 1e-12 ? null : [$my - $sxy / $sxx * $mx, $sxy / $sxx];
    }
}
