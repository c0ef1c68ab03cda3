<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

use NimbleKnuckle\Core\Luck;

/**
 * An engine cranked without starting, as a recorder with three leads sees it: a battery with its own resistance, a feed and an earth
 * that lose, a series-wound motor taken as linear, the friction and the compression of each cylinder. s, V at the posts, V at the
 * stud against the case, V from the case to battery minus.
 */
final readonly class CrankModel
{
    private const INNER = 0.0005;
    private const LASTS = 3.2;
    private const BEFORE = 0.3;

    public function __construct(private CrankFault $fault, private int $cylinders, private int $seed)
    {
    }

    /** @return non-empty-list<array{float, float, float, float}> */
    public function samples(): array
    {
        $luck = new Luck($this->seed + 104_729);
        [$hertz, $noise] = [$luck->oneOf([50.0, 100.0, 200.0]), $luck->between(0.005, 0.03)];
        $isBattery = CrankFault::Battery === $this->fault;
        // V and Ω: what the battery has, what it loses inside, in the feed, in the earth, in the motor.
        [$emf, $inside] = [$luck->between(12.4, 12.75), $isBattery ? $luck->between(0.025, 0.038) : $luck->between(0.004, 0.0075)];
        $feed = CrankFault::Feed === $this->fault ? $luck->between(0.0055, 0.014) : $luck->between(0.0006, 0.0014);
        $earth = CrankFault::Earth === $this->fault ? $luck->between(0.0035, 0.012) : $luck->between(0.0002, 0.0005);
        $motor = $luck->between(0.011, 0.016);
        // V s and N m s a turn of the crank, N·m, kg m².
        [$volts, $drag] = [$luck->between(0.26, 0.32), $luck->between(22.0, 34.0)];
        [$push, $mass] = [sqrt(4 / $this->cylinders) * $luck->between(55.0, 85.0), $luck->between(0.2, 0.4)];
        $share = $this->shares($luck);
        $all = $inside + $feed + $earth + $motor;
        [$turn, $speed, $next] = [$luck->between(0.0, 4 * \M_PI), 0.0, -self::BEFORE];
        $samples = [];
        for ($time = -self::BEFORE; $time <= self::LASTS; $time += self::INNER) {
            $amps = $time < 0.0 ? 0.0 : max(0.0, ($emf - $volts * $speed) / $all);
            if ($time >= $next) {
                $samples[] = [
                    round($time + self::BEFORE, 4), round($emf - $inside * $amps + $noise * $luck->normal(), 4),
                    round($time < 0.0 ? $noise * $luck->normal() : $emf - ($inside + $feed + $earth) * $amps + $noise * $luck->normal(), 4),
                    round($earth * $amps + 0.3 * $noise * $luck->normal(), 4),
                ];
                $next += 1 / $hertz;
            }
            if ($time >= 0.0) {
                $load = $this->load($turn, $push, $share) + ($speed > 0.1 ? $drag : 0.0);
                $speed = max(0.0, $speed + ($volts * $amps - $load) / $mass * self::INNER);
                $turn += $speed * self::INNER;
            }
        }

        return [] === $samples ? [[0.0, $emf, 0.0, 0.0]] : $samples;
    }

    /** @return list<float> of its compression each cylinder has */
    private function shares(Luck $luck): array
    {
        $share = [];
        for ($i = 0; $i < $this->cylinders; ++$i) {
            $share[] = $luck->between(0.96, 1.04);
        }
        $low = (int) floor($luck->between(0.0, $this->cylinders - 0.001));
        CrankFault::Cylinder === $this->fault && $share[$low] = $luck->between(0.1, 0.55);

        return array_values($share);
    }

    /**
     * N·m against the starter: up to each top centre it is pressed together, after it what is left gives some back.
     *
     * @param list<float> $share
     */
    private function load(float $turn, float $push, array $share): float
    {
        $load = 0.0;
        foreach ($share as $i => $one) {
            $to = fmod($turn + 4 * \M_PI * $i / $this->cylinders, 4 * \M_PI) - 2 * \M_PI;
            $load += match (true) {
                $to >= 0.0 || $to < -\M_PI => $to >= 0.0 && $to < \M_PI / 2 ? -0.55 * $push * $one * sin(2 * $to) : 0.0,
                default => $push * $one * sin(\M_PI * (1 + $to / \M_PI) ** 3),
            };
        }

        return $load;
    }
}
