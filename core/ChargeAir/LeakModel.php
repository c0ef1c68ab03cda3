<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * A charge path pumped up and shut, read off a gauge: air let out by one round hole, warmed by filling, fed on by a valve that is
 * not shut, or gone at once where a hose lets go. s and kPa over the air outside.
 */
final readonly class LeakModel
{
    private const INNER = 0.02;
    private const CELSIUS = 20.0;
    public const LASTS = 45.0;

    /** mm across; 0 where it does not leak. */
    public float $hole;

    /**
     * @param float $litres shut in
     * @param float $from kPa, as it was pumped up
     */
    public function __construct(private float $litres, private float $from, private LeakFault $fault, private int $seed)
    {
        $luck = new Luck($seed);
        // A hole that takes half of it in some 25 to 250 seconds, whatever is shut in.
        $half = $luck->between(25.0, 250.0);
        $this->hole = LeakFault::Leaking !== $fault ? 0.0 : self::holeFor($litres, $from, $half);
    }

    /** @return non-empty-list<array{float, float}> */
    public function samples(): array
    {
        $luck = new Luck($this->seed + 7919);
        [$hertz, $noise] = [$luck->oneOf([1.0, 2.0, 5.0, 10.0]), $luck->between(0.03, 0.25)];
        [$warm, $lag] = [$luck->between(5.0, 16.0), $luck->between(3.0, 6.0)];
        [$feed, $goes] = [$luck->between(0.08, 0.5), $luck->between(6.0, 35.0)];
        $outside = Air::SEA_LEVEL * 1000;
        $flow = Leak::DISCHARGE * \M_PI / 4 * ($this->hole / 1000) ** 2 * Gas::R * (self::CELSIUS + Gas::ZERO) / ($this->litres / 1000);
        $p = $outside + 1000 * $this->from;
        $samples = [];
        $next = 0.0;
        for ($time = 0.0; $time <= self::LASTS; $time += self::INNER) {
            if ($time >= $next) {
                $heat = LeakFault::WarmAir === $this->fault ? $warm * exp(-$time / $lag) / (self::CELSIUS + Gas::ZERO) : 0.0;
                $shown = ($p * (1 + $heat) - $outside) / 1000;
                $shown -= LeakFault::WarmAir === $this->fault ? $p * $warm / (self::CELSIUS + Gas::ZERO) / 1000 : 0.0;
                $samples[] = [round($time, 3), round(max(0.0, $shown + $noise * $luck->normal()), 3)];
                $next += 1 / $hertz;
            }
            $p -= $flow * Gas::flux($p, $outside, self::CELSIUS + Gas::ZERO) * self::INNER;
            $p += LeakFault::StillFed === $this->fault ? 1000 * $feed * self::INNER : 0.0;
            $p = LeakFault::LettingGo === $this->fault && $time > $goes ? max($outside, $p - 8e5 * self::INNER) : $p;
        }

        return [] === $samples ? [[0.0, $this->from]] : $samples;
    }

    private static function holeFor(float $litres, float $from, float $half): float
    {
        $leak = Leak::of(
            Volume::litres($litres), Pressure::kilopascals($from), Pressure::kilopascals($from / 2), $half,
            Temperature::celsius(self::CELSIUS), Pressure::kilopascals(Air::SEA_LEVEL),
        );

        return $leak->hole;
    }
}
