<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Trace;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A second simulated bench that knows nothing of the shipped one: its own table of bolts, its own stiffness (a frustum of 30°
 * under the head), noise of 0 to 3 % of the reading, a sample every 0.5 to 4°, 1 to 8 swings of a ratchet, whose angle is
 * either added up by the wrench or goes back with the handle.
 */
final class OtherBench
{
    public const KINDS = ['sound', 'short', 'over', 'yielding', 'cross-threaded', 'bottomed', 'stripping', 'soft'];
    /** name, d, P, stress area, mm and mm² */
    private const BOLTS = [
        ['M5', 5, 0.8, 14.2], ['M6', 6, 1.0, 20.1], ['M8', 8, 1.25, 36.6], ['M10', 10, 1.5, 58.0], ['M12', 12, 1.75, 84.3],
    ];
    private const YIELDS = ['8.8' => 640.0, '10.9' => 940.0];
    private const MODULI = ['steel' => 207e3, 'aluminium' => 71e3, 'cast-iron' => 100e3];
    private const FRICTIONS = ['oiled' => [0.10, 0.12, 0.16], 'dry zinc' => [0.14, 0.18, 0.24]];

    private readonly Randomizer $random;

    /** @var array<string, mixed> what a person would enter of the joint */
    public array $joint = [];
    public float $target = 0.0;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return list<array{float, float}> degrees and N·m */
    public function pull(string $kind): array
    {
        [$name, $d, $pitch, $area] = self::BOLTS[$this->random->getInt(0, 4)];
        $grade = ['8.8', '10.9'][$this->random->getInt(0, 1)];
        $member = array_keys(self::MODULI)[$this->random->getInt(0, 2)];
        $condition = array_keys(self::FRICTIONS)[$this->random->getInt(0, 1)];
        [$low, $typical, $high] = self::FRICTIONS[$condition];
        $grip = $d * $this->between(1.2, 5.0);
        $shank = $grip * $this->between(0.0, 0.6);
        $turns = $this->between(0.8, 5.0);
        $this->joint = [
            'thread' => $name, 'grade' => $grade, 'shank' => round($shank, 1), 'threaded' => round($grip - $shank, 1),
            'member' => $member, 'friction' => $condition, 'turns' => round($turns, 2),
        ];
        $lever = static fn (float $mu): float => 0.159 * $pitch + 0.577 * ($d - 0.65 * $pitch) * $mu + 0.65 * $d * $mu;
        $yieldForce = static fn (float $mu): float => self::YIELDS[$grade] * $area / sqrt(
            1 + 3 * (1.5 * ($d - 0.65 * $pitch) / ($d - 0.94 * $pitch) * ($pitch / \M_PI / $d + 1.155 * $mu)) ** 2,
        );
        $this->target = round($yieldForce($typical) * $lever($typical) / 1000 * $this->between(0.45, 0.72), 1);
        $mu = $this->between($low, $high);
        $slope = $lever($mu) / 1000 * $this->stiffness(
            (float) $d, $area, $grip, $shank, self::MODULI[$member],
        ) * $pitch / 360 * $this->between(0.9, 1.1);

        return $this->swung($this->curve($kind, $slope, 360 * $turns * $this->between(0.95, 1.05)));
    }

    /** N/mm of bolt and clamped parts in a row. */
    private function stiffness(float $d, float $area, float $grip, float $shank, float $modulus): float
    {
        $bolt = 1 / (($grip - $shank + 0.4 * $d) / $area + ($shank + 0.4 * $d) / (0.785 * $d ** 2)) * 207e3;
        $frustum = 0.5774 * \M_PI * $modulus * $d / (2 * log(5 * (0.5774 * $grip + 0.5 * $d) / (0.5774 * $grip + 2.5 * $d)));

        return 1 / (1 / $bolt + 1 / $frustum);
    }

    /** @return list<array{float, float}> the joint's own angle and torque, every 0.25°, to where the hand stops */
    private function curve(string $kind, float $slope, float $runDown): array
    {
        $t = $this->target;
        $drag = $t * $this->between(0.0, 0.04);
        $bedding = $this->between(0.02, 0.12) * $t;
        $seat = $runDown * match ($kind) {
            'cross-threaded' => $this->between(0.1, 0.5),
            'bottomed' => $this->between(0.75, 0.97),
            default => 1.0,
        };
        $k = $slope * match ($kind) {
            'cross-threaded' => $this->between(0.06, 0.3),
            'bottomed' => $this->between(2.6, 5.0),
            'soft' => $this->between(0.08, 0.28),
            default => 1.0,
        };
        $flattens = 'cross-threaded' === $kind && 1 === $this->random->getInt(0, 1);
        $yield = $t * $this->between(0.55, 0.88);
        $past = $this->between(0.02, 0.12);
        $strips = $t * $this->between(0.4, 0.9);
        $lets = $this->between(5.0, 25.0);
        $keeps = $this->between(0.15, 0.4);
        $stop = $t * match ($kind) {
            'short' => $this->between(0.65, 0.90),
            'over' => $this->between(1.10, 1.30),
            default => $this->between(0.985, 1.02),
        };
        $elastic = static fn (float $x): float => $x <= 0 ? 0.0 : max(0.0, $k * $x - $bedding * (1 - exp(-$k * $x / $bedding)));
        $torque = static function (float $angle) use (
            $kind, $seat, $drag, $k, $elastic, $flattens, $yield, $past, $strips, $lets, $keeps, $t,
        ): float {
            $x = $angle - $seat;
            $m = $flattens ? ($x <= 0 ? 0.0 : 1.3 * $t * (1 - exp(-$k * $x / $t))) : $elastic($x);
            if ('yielding' === $kind && $m > $yield) {
                $m = $yield + $past * ($m - $yield);
            }
            if ('stripping' === $kind && $m > $strips) {
                $m = $strips * ($keeps + (1 - $keeps) * exp(-($m - $strips) / $k / $lets));
            }

            return $drag + $m;
        };
        $points = [];
        $peak = 0.0;
        $extra = 'yielding' === $kind ? $this->between(25.0, 90.0) : ('stripping' === $kind ? $this->between(15.0, 60.0) : \INF);
        for ($i = 0; $i < 90_000; ++$i) {
            $angle = $i / 4;
            $m = $torque($angle);
            if ($m >= $stop) {
                // The hand stops where it means to, between two points.
                [$before, $was] = $points[count($points) - 1] ?? [$angle - 0.25, 0.0];
                $points[] = [$before + 0.25 * ($stop - $was) / max(1e-9, $m - $was), $stop];
                break;
            }
            $points[] = [$angle, $m];
            if (('yielding' === $kind ? $m - $drag > $yield : $m < $peak - 0.02 * $t) && ($extra -= 0.25) < 0) {
                break;
            }
            $peak = max($peak, $m);
        }

        return $points;
    }

    /**
     * @param list<array{float, float}> $points
     *
     * @return list<array{float, float}>
     */
    private function swung(array $points): array
    {
        $every = $this->random->getInt(2, 16);
        $noise = $this->between(0.0, 0.03);
        $swings = $this->random->getInt(1, 8);
        $goesBack = 1 === $this->random->getInt(0, 1);
        $end = count($points) - 1;
        $read = fn (float $torque): float => max(0.0, $torque * (1 + $noise * $this->normal()) + 0.002 * $this->target * $this->normal());
        $samples = [];
        $shown = 0.0;
        $last = 0.0;
        $swing = max(60, intdiv($end, $swings) + 1);
        $grip = 0;
        foreach ($points as $i => [$angle, $torque]) {
            $shown += $angle - $last;
            $last = $angle;
            if (0 === $i % $every || $i === $end) {
                $samples[] = [$shown, $read($torque)];
            }
            if ($i - $grip >= $swing && $i < $end - 8) {
                // The swing is over: the last of it, let go, back, and wound up again.
                $grip = $i;
                $samples[] = [$shown, $read($torque)];
                $samples[] = [$shown, $read(0.4 * $torque)];
                $samples[] = [$shown, $read(0.0)];
                $back = $goesBack ? min($shown, $swing / 4) : 0.0;
                for ($b = $every / 4; $b < $back; $b += 8 * $every / 4) {
                    $samples[] = [$shown - $b, $read(0.0)];
                }
                $shown -= $back;
                $windUp = $this->between(0.5, 2.5) * $torque / $this->target;
                for ($w = 0.0; $w < $windUp; $w += $every / 4) {
                    $samples[] = [$shown + $w, $read($torque * $w / max(0.01, $windUp))];
                }
                $shown += $windUp;
            }
        }
        $samples[] = [$shown, $read(0.5 * $points[$end][1])];
        $samples[] = [$shown, $read(0.0)];

        return array_map(static fn (array $s): array => [round($s[0], 2), round($s[1], 3)], $samples);
    }

    private function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1e6;
    }

    private function normal(): float
    {
        return sqrt(-2 * log($this->between(1e-9, 1.0))) * cos(2 * \M_PI * $this->between(0.0, 1.0));
    }
}
