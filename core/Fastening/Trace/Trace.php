<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fastening\Trace;

use NimbleKnuckle\Core\Sum\InvalidInput;

/** Torque against angle as a wrench wrote it down, put in order for judging: degrees rise, the letting go is cut off. */
final readonly class Trace
{
    private const LEAST = 6;

    /**
     * @param non-empty-list<float> $angles rising
     * @param non-empty-list<float> $torques N·m, a little smoothed
     * @param list<float> $times ms, empty where none were given
     * @param list<float> $raw N·m as they came
     */
    private function __construct(public array $angles, public array $torques, public array $times, public array $raw, public float $peak)
    {
    }

    /**
     * @param list<non-empty-list<float>> $samples [degrees, N·m] or [degrees, N·m, ms]
     *
     * @throws InvalidInput
     */
    public static function of(array $samples): self
    {
        count($samples) >= self::LEAST || throw InvalidInput::in('samples', sprintf('%d samples are too few to judge: a wrench gives at least %d.', count($samples), self::LEAST));
        $torques = array_map(static fn (array $sample): float => $sample[1] ?? 0.0, $samples);
        $peak = max($torques);
        $peak > 0.0 || throw InvalidInput::in('samples', 'No torque stands in this trace.');
        min($torques) >= -0.05 * $peak || throw InvalidInput::in('samples', 'Torque below zero: this trace undoes the bolt.');
        $samples = self::withoutLettingGo($samples, $peak);
        $angles = [];
        $torques = [];
        $times = [];
        foreach ($samples as $i => $sample) {
            [$angle, $torque] = [$sample[0], $sample[1] ?? 0.0];
            $angle >= ($angles[$i - 1] ?? -\INF) - 10.0 || throw InvalidInput::in('samples', sprintf('Sample %d turns back by more than 10°: give one pull, or the angles added up over the pulls.', $i + 1));
            $angles[] = max($angle, $angles[$i - 1] ?? $angle);
            $torques[] = $torque;
            if (isset($sample[2])) {
                $times[] = $sample[2];
            }
        }
        $angles[count($angles) - 1] > $angles[0] || throw InvalidInput::in('samples', 'The angle never moves: no slope can be found.');

        return new self($angles, self::smoothed($torques), count($times) === count($torques) ? $times : [], $torques, $peak);
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

    /** The greatest rise of torque within ten milliseconds, N·m; 0 where no times are given. */
    public function steepestTenMs(): float
    {
        $most = 0.0;
        $last = 0;
        foreach ($this->times as $i => $ms) {
            while ($last < $i && $ms - $this->times[$last] > 10.0 + 1e-6 && $ms - $this->times[$last + 1] >= 10.0 - 1e-6) {
                ++$last;
            }
            $passed = $ms - $this->times[$last];
            if ($passed > 1e-6) {
                $most = max($most, ($this->raw[$i] - $this->raw[$last]) * min(1.0, 10.0 / $passed));
            }
        }

        return $most;
    }

    /**
     * @param non-empty-list<non-empty-list<float>> $samples
     *
     * @return non-empty-list<non-empty-list<float>>
     */
    private static function withoutLettingGo(array $samples, float $peak): array
    {
        $last = count($samples) - 1;
        while ($last > 1 && ($samples[$last][1] ?? 0.0) < ($samples[$last - 1][1] ?? 0.0) - 0.04 * $peak && $samples[$last][0] - $samples[$last - 1][0] < 0.5) {
            --$last;
        }

        return array_slice($samples, 0, $last + 1);
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
