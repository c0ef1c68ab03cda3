<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Luck;

/**
 * A joint as a wrench feels it: torque in N·m for an angle in degrees since the wrench was put on. Run-down drag, snug,
 * elastic slope, yield; or a thread that is crossed, a hole too shallow, a thread that strips. Preload by the springs of
 * bolt and clamped parts (VDI 2230-1). The same numbers always give the same joint.
 */
final readonly class JointModel
{
    /** Degrees over which the parts bed in before the slope is straight. */
    private const BEDDING = 6.0;
    /** Degrees the wrench winds up on a tight bolt before the head moves. */
    private const WIND_UP = 2.0;
    /** Share of the elastic slope that is left past yield. */
    private const PAST_YIELD = 0.08;

    /**
     * @param float $runDown degrees from here to where the head touches
     * @param float $drag N·m while it runs down
     * @param float $slope N·m a degree once snug
     * @param float $yieldTorque N·m
     * @param float $start N·m it was tightened to before
     */
    private function __construct(
        public float $runDown,
        public float $drag,
        public float $slope,
        public float $yieldTorque,
        public float $target,
        public float $start,
        public Flaw $flaw,
    ) {
    }

    /**
     * @param float $target N·m the wrench is to reach
     * @param int $seed which of the many like joints this one is
     * @param float $start N·m it was tightened to before; then nothing is left to run down
     */
    public static function of(
        Bolt $bolt, Springs $springs, float $target, float $runDown, Fault $fault, int $seed, float $start = 0.0,
    ): self {
        $luck = new Luck($seed);
        $friction = $bolt->friction->low + ($bolt->friction->high - $bolt->friction->low) * $luck->between(0.25, 0.75);
        $preload = $bolt->preload();
        $head = $bolt->friction->head($friction);
        $slope = $preload->torqueFor($springs->perDegree(), $friction, $head)->newtonMetres * $luck->between(0.92, 1.08);
        $yield = $preload->yieldTorque($friction, $head)->newtonMetres;

        return new self(
            $runDown * $luck->between(0.95, 1.05),
            max(0.05, $target * $luck->between(0.01, 0.03)),
            $slope,
            Fault::Soft === $fault ? $target * $luck->between(0.62, 0.85) : max($yield, $target * 1.3),
            $target,
            $start,
            new Flaw($fault, $luck->between(0.0, 1.0), $luck->between(0.0, 1.0)),
        );
    }

    /** N·m at so many degrees. */
    public function torqueAt(float $angle): float
    {
        if ($this->start > 0.0) {
            return $angle < self::WIND_UP
                ? ($this->start + $this->drag) * max(0.0, $angle) / self::WIND_UP
                : $this->inJoint($angle - self::WIND_UP);
        }

        return $this->inJoint($angle);
    }

    /** Degrees the wrench winds up before a tight head moves; none where it is loose. */
    public function windUp(): float
    {
        return $this->start > 0.0 ? self::WIND_UP : 0.0;
    }

    private function inJoint(float $angle): float
    {
        return match ($this->flaw->kind) {
            Fault::CrossThreaded => $this->crossed($angle),
            Fault::Bottomed => $this->drag + $this->bedded($angle - $this->touch(), $this->steepest()),
            Fault::Stripped => $this->stripping($angle),
            default => $this->drag + $this->elastic($angle - $this->touch()),
        };
    }

    /** Degrees at which the head, or the bolt's end, meets something. */
    public function touch(): float
    {
        if ($this->start > 0.0) {
            return -($this->start / $this->slope + self::BEDDING / 2);
        }

        return match ($this->flaw->kind) {
            Fault::CrossThreaded => $this->runDown * (0.15 + 0.25 * $this->flaw->at),
            Fault::Bottomed => $this->runDown * (0.80 + 0.12 * $this->flaw->at),
            default => $this->runDown,
        };
    }

    /** N·m a degree at its steepest: a bolt on the bottom of its hole has no clamped parts to give way. */
    public function steepest(): float
    {
        return $this->slope * (Fault::Bottomed === $this->flaw->kind ? 2.6 + 2.0 * $this->flaw->severity : 1.0);
    }

    /** Torque rises over the bedding-in as a square, then straight. */
    private function bedded(float $turned, float $slope): float
    {
        return match (true) {
            $turned <= 0.0 => 0.0,
            $turned < self::BEDDING => $slope * $turned ** 2 / (2 * self::BEDDING),
            default => $slope * ($turned - self::BEDDING / 2),
        };
    }

    private function elastic(float $turned): float
    {
        $torque = $this->bedded($turned, $this->slope);
        if ($torque <= $this->yieldTorque) {
            return $torque;
        }
        $past = ($torque - $this->yieldTorque) / $this->yieldTorque;

        return $this->yieldTorque * (1 + self::PAST_YIELD * $past + 0.04 * (1 - exp(-$past / 0.04)));
    }

    /** A crossed thread drags from its first turns, and ever more, without clamping anything. */
    private function crossed(float $angle): float
    {
        $turned = max(0.0, $angle - $this->touch());
        $reach = 60.0 + 120.0 * $this->flaw->severity;

        return $this->drag + 1.25 * $this->target * (1 - exp(-$turned / $reach)) * (1 + 0.02 * sin($turned / 7));
    }

    /** The thread gives at a share of the figure and lets go as it is turned on. */
    private function stripping(float $angle): float
    {
        $turned = $angle - $this->touch();
        $torque = $this->bedded($turned, $this->slope);
        $peak = $this->target * (0.45 + 0.35 * $this->flaw->at);
        if ($torque < $peak) {
            return $this->drag + $torque;
        }
        $past = ($torque - $peak) / $this->slope;

        return $this->drag + $peak * (0.25 + 0.75 * exp(-$past / (12.0 + 10.0 * $this->flaw->severity)));
    }
}
