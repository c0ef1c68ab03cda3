<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Luck;

/**
 * A hand on a digital wrench: turns a joint and writes down a sample every ten milliseconds, [degrees, N·m, ms].
 * Torque is read within 0.4 %, angle within 0.1°.
 */
final class SimulatedPuller
{
    public const STEP_MS = 10.0;
    /** Degrees a second while it runs down, and at most while it pulls. */
    private const RUN_SPEED = 240.0;
    private const PULL_SPEED = 40.0;
    /** A steady hand takes about a second from snug to the figure: this share of it a second. */
    private const PULL_RATE = 1.2;

    private float $angle;
    private float $ms;
    private readonly Luck $luck;

    /** @param bool $jerked whether this hand has slipped already */
    public function __construct(
        private readonly JointModel $joint, int $seed, float $angle = 0.0, float $ms = 0.0, private bool $jerked = false,
    ) {
        $this->luck = new Luck($seed * 7919 + 17 + (int) $ms);
        $this->angle = $angle;
        $this->ms = $ms;
    }

    /**
     * Pulls on for so long.
     *
     * @param float $eagerness 1 is a steady hand
     *
     * @return list<array{float, float, float}>
     */
    public function pull(float $forMs, float $eagerness = 1.0): array
    {
        $samples = [];
        for ($left = $forMs; $left >= self::STEP_MS - 1e-9; $left -= self::STEP_MS) {
            $samples[] = $this->step($eagerness);
        }

        return $samples;
    }

    /**
     * Pulls until the figure shows, or until it is plain that it will not, and lets go.
     *
     * @return list<array{float, float, float}>
     */
    public function tighten(): array
    {
        $stop = $this->joint->target * match ($this->joint->flaw->kind) {
            Fault::Short => $this->luck->between(0.70, 0.90),
            Fault::Over => $this->luck->between(1.12, 1.25),
            default => $this->luck->between(0.99, 1.02),
        };
        $samples = [];
        $peak = 0.0;
        while (count($samples) < 6000) {
            $samples[] = $sample = $this->step(1.0);
            $peak = max($peak, $sample[1]);
            if ($sample[1] >= $stop || $this->isHopeless($sample[1], $peak)) {
                break;
            }
        }

        return [...$samples, ...$this->letGo($samples[count($samples) - 1][1])];
    }

    /**
     * Turns by so many degrees from where the head begins to move, and lets go.
     *
     * @return list<array{float, float, float}>
     */
    public function turn(float $degrees): array
    {
        $end = $this->joint->windUp() + $degrees * $this->luck->between(0.99, 1.01);
        $samples = [];
        while ($this->angle < $end && count($samples) < 12_000) {
            $samples[] = $this->step(1.0);
        }

        return [] === $samples ? [] : [...$samples, ...$this->letGo($samples[count($samples) - 1][1])];
    }

    public function angle(): float
    {
        return $this->angle;
    }

    public function ms(): float
    {
        return $this->ms;
    }

    public function hasJerked(): bool
    {
        return $this->jerked;
    }

    /** @return array{float, float, float} */
    private function step(float $eagerness): array
    {
        $tight = $this->joint->torqueAt($this->angle);
        $speed = $tight > 0.05 * $this->joint->target + $this->joint->drag ? min(
            self::PULL_SPEED, self::PULL_RATE * $this->joint->target / $this->joint->steepest(),
        ) : self::RUN_SPEED;
        $this->angle += $this->jerksNow($tight)
            ? $this->luck->between(0.16, 0.28) * $this->joint->target / $this->joint->slope
            : $this->felt($tight, $speed * $eagerness * self::STEP_MS / 1000 * $this->luck->between(0.8, 1.2), $eagerness);
        $this->ms += self::STEP_MS;
        $torque = $this->joint->torqueAt($this->angle);

        return [
            round($this->angle + 0.05 * $this->luck->normal(), 2),
            round(max(0.0, $torque * (1 + 0.004 * $this->luck->normal()) + 0.01 * $this->luck->normal()), 3), $this->ms,
        ];
    }

    /** A steady hand feels the head touch and slows: the torque never rises by more than a twentieth of the figure a step. */
    private function felt(float $tight, float $move, float $eagerness): float
    {
        $most = 0.04 * $eagerness * $this->joint->target;
        while ($move > 0.01 && $this->joint->torqueAt($this->angle + $move) - $tight > $most) {
            $move *= 0.6;
        }

        return $move;
    }

    /** A jerky hand slips once on the way up. */
    private function jerksNow(float $torque): bool
    {
        if (Fault::Jerky !== $this->joint->flaw->kind || $this->jerked || $torque < 0.4 * $this->joint->target) {
            return false;
        }

        return $this->jerked = true;
    }

    private function isHopeless(float $torque, float $peak): bool
    {
        return $peak > 0.3 * $this->joint->target
            && $torque < 0.6 * $peak
            || $this->angle > $this->joint->touch() + 6 * $this->joint->target / $this->joint->slope + 200;
    }

    /**
     * The torque goes, the angle stays.
     *
     * @return list<array{float, float, float}>
     */
    private function letGo(float $torque): array
    {
        $samples = [];
        foreach ([0.7, 0.3, 0.05] as $share) {
            $this->ms += self::STEP_MS * 3;
            $samples[] = [round($this->angle, 2), round($torque * $share, 3), $this->ms];
        }

        return $samples;
    }
}
