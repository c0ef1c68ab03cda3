<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Luck;

/**
 * A turbo engine at full throttle from low speed to its redline: the compressor follows what the exhaust could drive with a lag, the
 * gate lets off what is over. s, rpm, kPa over the air outside, percent of throttle.
 */
final readonly class BoostModel
{
    private const INNER = 0.01;
    /** Of what is over, in a second. */
    private const LETS_OFF = 70.0;

    public function __construct(private float $target, private BoostFault $fault, private int $seed, private float $hertz = 20.0)
    {
    }

    /** @return non-empty-list<array{float, float, float, float}> */
    public function samples(): array
    {
        $luck = new Luck($this->seed);
        [$from, $redline, $lasts] = [$luck->between(1800, 2600), $luck->between(5800, 7400), $luck->between(5.0, 9.0)];
        [$lag, $noise] = [$luck->between(0.25, 0.6), $luck->between(0.002, 0.012)];
        $could = match ($this->fault) {
            BoostFault::Short => $luck->between(0.6, 0.86),
            BoostFault::Leak => $luck->between(0.45, 0.85),
            BoostFault::Spike => $luck->between(2.0, 2.6),
            default => $luck->between(1.5, 2.2),
        };
        $gate = self::gate($this->fault, $luck);
        $samples = [];
        [$boost, $opened, $next] = [0.0, 0.0, 0.0];
        for ($time = 0.0; $time <= $lasts; $time += self::INNER) {
            $rpm = $from + ($redline - $from) * $time / $lasts;
            $drive = $could * min(1.0, (($rpm - 1200) / 2200) ** 2);
            $boost += ($drive - $boost) * self::INNER / $lag;
            // The gate follows the boost with a lag of its own; what it lets through is gone at once.
            $opened += ($boost - $opened) * self::INNER / max(self::INNER, $gate['lag']);
            $held = $gate['holds']($time, ($rpm - $from) / ($redline - $from));
            $boost = $opened > $held ? max($held, $boost - self::LETS_OFF * ($boost - $held) * self::INNER) : $boost;
            if ($time >= $next) {
                $samples[] = [round($time, 3), $rpm, $this->target * max(0.0, $boost + $noise * $luck->normal()), 100.0];
                $next += 1 / $this->hertz;
            }
        }

        return [] === $samples ? [[0.0, $from, 0.0, 100.0]] : $samples;
    }

    /**
     * What the gate holds it to, of the target; by time and by how far up.
     *
     * @return array{lag: float, holds: \Closure(float, float): float}
     */
    private static function gate(BoostFault $fault, Luck $luck): array
    {
        [$size, $fast, $begins] = [$luck->between(0.12, 0.28), $luck->between(1.1, 2.2), $luck->between(0.25, 0.45)];
        $flat = $luck->between(0.98, 1.02);

        return [
            'lag' => BoostFault::Spike === $fault ? $luck->between(0.45, 0.75) : 0.03,
            'holds' => match ($fault) {
                BoostFault::Creep => static fn (float $time, float $up): float => $flat + 1.6 * $size * max(0.0, $up - $begins),
                BoostFault::Taper => static fn (float $time, float $up): float => $flat - 3.2 * $size * max(0.0, $up - $begins),
                BoostFault::Hunting => static fn (float $time, float $up): float => $flat + 0.6 * $size * sin(2 * \M_PI * $fast * $time),
                default => static fn (float $time, float $up): float => $flat,
            },
        ];
    }
}
