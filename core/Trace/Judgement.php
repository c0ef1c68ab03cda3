<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/**
 * What a trace of torque against angle says of the joint, the gravest first: stripping, cross-threaded, jerked, bottomed,
 * yielding, missed, soft, or, without joint data, that it cannot be told. Angles in degrees, torques in N·m.
 * Torque-angle signature after VDI/VDE 2645 practice.
 */
final readonly class Judgement
{
    /** Torque lost while the angle grows, share of the peak. */
    private const STRIPPED = 0.12;
    /** Slope over what the springs of the joint give: something stands in the way. */
    private const STEEP = 1.7;
    /** Snug before this share of the turns it should run down. */
    private const EARLY = 0.7;
    private const JERK = 0.10;
    /** Without joint data: the whole figure within so few degrees is steeper than any bolt's spring. */
    private const STEEP_DEGREES = 7.0;
    /** Without joint data: torque that grows over so many degrees, and ever flatter, is a thread that drags. */
    private const DRAGGING_DEGREES = 40.0;
    /** A thread that drags takes so much more angle for the same torque later than at first. */
    private const FLATTER = 1.08;
    /** Slope under this share of what the springs give: nothing is clamped hard. */
    private const SLACK = 0.4;
    /** Without joint data: the figure over so many degrees is a long soft joint, or a thread that drags. */
    private const SLACK_DEGREES = 60.0;
    /** What an angle may be off and still be met, degrees at least. */
    private const GIVE = 3.0;

    public TraceReading $read;
    public Symptom $symptom;

    private function __construct(public Trace $trace, public TraceSpec $spec, public JointData $joint)
    {
        $this->read = TraceReading::of($trace, $spec->from);
        $this->symptom = $this->stripping()
            ?? $this->early()
            ?? ($this->jolt() > self::JERK ? Symptom::Jolted : null)
            ?? $this->steep()
            ?? $this->yielding()
            ?? ($spec->isByAngle() ? $this->missedByAngle() : $this->missed())
            ?? $this->slack()
            ?? $this->untold()
            ?? ($spec->isByAngle() ? Symptom::StraightByAngle : Symptom::Straight);
    }

    public static function of(Trace $trace, TraceSpec $spec, JointData $joint): self
    {
        return new self($trace, $spec, $joint);
    }

    /** Whether the snug torque of a torque-plus-angle was reached: then it counts as where the joint got snug. */
    public function isSnugBySpec(): bool
    {
        return $this->spec->isByAngle() && $this->trace->peak >= $this->spec->torque;
    }

    public function snugTorque(): float
    {
        return $this->isSnugBySpec() ? $this->spec->torque : $this->read->snugTorque;
    }

    public function snugAngle(): float
    {
        return $this->isSnugBySpec() ? $this->trace->angleAt($this->spec->torque) : $this->read->snugAngle;
    }

    /** Degrees turned after the snug torque of the spec. */
    public function turned(): float
    {
        return $this->trace->finalAngle() - $this->trace->angleAt($this->spec->torque);
    }

    /** Share of the peak the torque fell by at the end. */
    public function fallen(): float
    {
        $top = max($this->trace->torques);

        return $top > 0.0 ? ($top - $this->trace->torques[$this->trace->count() - 1]) / $top : 0.0;
    }

    /** Degrees it turned on since the torque was at its peak. */
    public function turnedSincePeak(): float
    {
        $at = array_search(max($this->trace->torques), $this->trace->torques, true);

        return $this->trace->finalAngle() - $this->trace->angles[false === $at ? 0 : $at];
    }

    /** Share of the figure the torque jumped by within ten milliseconds. */
    public function jolt(): float
    {
        $target = $this->spec->isByAngle() ? max($this->spec->torque, $this->trace->peak) : $this->spec->torque;

        return $this->trace->steepestTenMs() / $target;
    }

    /** Degrees from a tenth to nine tenths of the peak. */
    public function rise(): float
    {
        return $this->angleAt(0.9) - $this->angleAt(0.1);
    }

    /** Degrees from the start to where the torque first leaves the drag for good: an eighth of the peak. */
    public function firstRise(): float
    {
        return $this->angleAt(0.12) - $this->trace->angles[0];
    }

    /** N·m a degree where it is to be judged as steep. */
    public function steepness(): float
    {
        // Where a few samples are the whole rise, a line through them takes in the run-down: what they rose by in all is surer.
        $across = $this->trace->slopeAcross($this->read->drag);

        return $this->trace->grain->spacing > 0.25 * $this->rise() ? $across : max($this->read->slope, $across);
    }

    private function stripping(): ?Symptom
    {
        return $this->fallen() > self::STRIPPED && $this->turnedSincePeak() > 2.0 ? Symptom::TorqueFell : null;
    }

    private function early(): ?Symptom
    {
        return match (true) {
            $this->spec->from > 0.0 => null,
            !$this->joint->knowsRunDown() => $this->drags() ? Symptom::Drags : null,
            $this->firstRise() < self::EARLY * $this->joint->runDown - $this->trace->grain->spacing => Symptom::CameEarly,
            default => null,
        };
    }

    /** A thread that drags grows over a long way, steep first and flat later; a clamping one the other way round. */
    private function drags(): bool
    {
        [$toe, $low, $middle] = [$this->angleAt(0.06), $this->angleAt(0.3), $this->angleAt(0.55)];

        return $this->rise() > self::DRAGGING_DEGREES
            && ($middle - $low) / 0.25 > self::FLATTER * ($low - $toe) / 0.24 + 2 * $this->trace->grain->spacing;
    }

    private function steep(): ?Symptom
    {
        $isKnown = $this->joint->knowsSlope() && $this->spec->from <= 0.0;

        return $isKnown && $this->steepness() > self::STEEP * $this->joint->slope ? Symptom::TooSteep : null;
    }

    /** A torque that rises far too slowly for its joint clamps nothing yet: the thread drags, or something soft lies between. */
    private function slack(): ?Symptom
    {
        $isKnown = $this->joint->knowsSlope() && !$this->joint->isGuessed && $this->spec->from <= 0.0;
        if (!$isKnown || max($this->read->slope, $this->trace->slopeAcross($this->read->drag)) >= self::SLACK * $this->joint->slope) {
            return null;
        }

        return $this->drags() ? Symptom::DragsSlack : Symptom::Slack;
    }

    /**
     * Without the joint a rise that a short stiff one and a bottomed one share, or a long soft one and a dragging one, is
     * not told apart.
     */
    private function untold(): ?Symptom
    {
        if ($this->joint->knowsSlope() || $this->spec->from > 0.0 || $this->spec->isByAngle()) {
            return null;
        }

        return match (true) {
            $this->rise() < self::STEEP_DEGREES => Symptom::RisesFast,
            // By the lower half: at its upper end a bolt may yield.
            2 * ($this->angleAt(0.5) - $this->angleAt(0.1)) > self::SLACK_DEGREES => Symptom::RisesSlowly,
            default => null,
        };
    }

    private function yielding(): ?Symptom
    {
        return match (true) {
            !$this->read->yieldsAtEnd($this->trace, $this->spec->from) => null,
            $this->spec->isByAngle() => Symptom::YieldedByAngle,
            default => Symptom::Yielded,
        };
    }

    private function missed(): ?Symptom
    {
        $give = $this->spec->torque * $this->spec->tolerance / 100 + $this->trace->doubt();

        return match (true) {
            $this->trace->reached < $this->spec->torque - $give => Symptom::TorqueShort,
            $this->trace->reached > $this->spec->torque + $give => Symptom::TorqueOver,
            default => null,
        };
    }

    private function missedByAngle(): ?Symptom
    {
        $give = max(self::GIVE, $this->spec->angle * $this->spec->tolerance / 100);

        return match (true) {
            $this->trace->peak < $this->spec->torque * (1 - $this->spec->tolerance / 100) => Symptom::NeverSnug,
            $this->turned() < $this->spec->angle - $give => Symptom::AngleShort,
            $this->turned() > $this->spec->angle + $give => Symptom::AngleOver,
            default => null,
        };
    }

    /** Degrees at a share of the way from the drag to the end. */
    private function angleAt(float $share): float
    {
        return $this->trace->rising->angleAt($this->read->drag + $share * ($this->trace->reached - $this->read->drag));
    }
}
