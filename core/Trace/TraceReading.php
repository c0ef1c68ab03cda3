<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/**
 * The points of a trace: where it got snug (the steepest line meets the drag), how steep it then was, how steep at
 * the end; degrees and N·m.
 */
final readonly class TraceReading
{
    /** Share of the steepest slope under which a joint counts as yielding. */
    private const HALF = 0.5;
    private const TOE = 0.3;
    private const KNEE = 0.8;

    private function __construct(
        public float $drag,
        public float $snugAngle,
        public float $snugTorque,
        public float $slope,
        public float $endSlope,
        public float $window,
    ) {
    }

    /** @param float $fromTorque N·m it was tightened to before: what lies under it is the wrench winding up */
    public static function of(Trace $trace, float $fromTorque = 0.0): self
    {
        $drag = self::drag($trace);
        $rise = $drag + 0.9 * ($trace->peak - $drag);
        $from = $trace->angleAt(max($drag + 0.15 * ($trace->peak - $drag), $fromTorque + 0.05 * $trace->peak));
        $to = max($from + 0.5, $trace->angleAt(max($rise, $fromTorque + 0.9 * ($trace->peak - $fromTorque))));
        // Wide enough for a few samples, and the wider the noisier they are.
        $window = max(
            1.0, 2.2 * $trace->grain->spacing, min(0.6, ($fromTorque > 0.0 ? 0.35 : 0.22) + 10 * $trace->grain->noise) * ($to - $from),
        );
        $slope = 0.0;
        $at = $from;
        for ($a = $from + ($fromTorque > 0.0 ? $window / 2 : 0.0); $a <= $to + 1e-9; $a += $window / 4) {
            $here = $trace->slope($a - $window / 2, $a + $window / 2);
            if ($here > $slope) {
                [$slope, $at] = [$here, $a];
            }
        }
        if ($slope <= 0.0) {
            $slope = max(1e-6, ($trace->peak - $drag) / max(0.5, $to - $trace->angles[0]));
        }
        $snug = max($trace->angles[0], min($at, $at - (self::torqueAt($trace, $at) - $drag) / $slope));
        $end = $trace->finalAngle();

        return new self($drag, $snug, self::torqueAt($trace, $snug), $slope, $trace->slope($end - $window, $end), $window);
    }

    /** The usual torque of what comes before a quarter of the peak; nothing where the trace starts in the rise. */
    private static function drag(Trace $trace): float
    {
        $low = [];
        foreach ($trace->torques as $torque) {
            if ($torque >= 0.25 * $trace->peak) {
                break;
            }
            $low[] = $torque;
        }
        sort($low);

        return count($low) < 3 ? 0.0 : min($low[(int) (0.3 * count($low))], 0.2 * $trace->peak);
    }

    private static function torqueAt(Trace $trace, float $angle): float
    {
        foreach ($trace->angles as $i => $a) {
            if ($a >= $angle) {
                $before = $trace->angles[$i - 1] ?? $a;
                $share = $a > $before ? ($angle - $before) / ($a - $before) : 1.0;
                $from = $trace->torques[$i - 1] ?? $trace->torques[$i];

                return $from + $share * ($trace->torques[$i] - $from);
            }
        }

        return $trace->finalTorque();
    }

    /**
     * Whether the torque grows at less than half its slope at the end: the last fifth of it takes more than twice the angle that a
     * fifth took before, by more than the samples lie apart.
     */
    public function yieldsAtEnd(Trace $trace, float $fromTorque = 0.0): bool
    {
        // What a tight bolt was at before is the wrench winding up, and no slope of the joint.
        $base = max($this->drag, 1.05 * $fromTorque);
        $at = static fn (float $share): float => $trace->rising->angleAt($base + $share * max(0.0, $trace->reached - $base));
        $below = $at(self::KNEE) - $at(self::TOE);
        $above = $trace->finalAngle() - $at(self::KNEE);
        $expected = (1 - self::KNEE) / (self::KNEE - self::TOE) * $below;

        return $above > $expected / self::HALF + (1.0 + 30 * $trace->grain->noise) * $trace->grain->spacing;
    }
}
