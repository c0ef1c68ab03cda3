<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Door\TorqueEstimate;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Tightening\Door\AngleTighten;
use NimbleKnuckle\Core\Trace\JointData;

/**
 * A joint of the vehicle sheet as bolt and springs, as far as the sheet tells: its grip as entered, or else the bolt's
 * length less one and a fifth diameters of engaged thread, all of it threaded, which is then said to be assumed. Lengths in mm.
 */
final readonly class JointMechanics
{
    /** Turns a bolt is run down by a wrench after it was started by hand, in degrees. */
    public const RUN_DOWN = 540.0;
    private const ENGAGED_DIAMETERS = 1.2;

    private function __construct(public Joint $joint, public Bolt $bolt, public Springs $springs, public bool $gripAssumed)
    {
    }

    /** Null where the sheet does not name a thread we know. */
    public static function of(Joint $joint): ?self
    {
        try {
            $bolt = Bolt::read(
                Inputs::of(
                    ['thread' => $joint->thread, 'grade' => $joint->grade, 'friction' => $joint->friction],
                    [Bolt::threadField(), Bolt::gradeField(), Bolt::frictionField(), Bolt::headField()],
                ),
            );
            $assumed = $joint->shank + $joint->threaded <= 0.0;
            $long = 1 === preg_match('~\A\s*(\d+(?:\.\d+)?)~', $joint->length, $m) ? (float) $m[1] : 2.5 * $bolt->thread->diameter;
            $threaded = $assumed ? max(
                0.6 * $bolt->thread->diameter, $long - self::ENGAGED_DIAMETERS * $bolt->thread->diameter,
            ) : $joint->threaded;

            return new self(
                $joint, $bolt,
                Springs::of($bolt->thread, $assumed ? 0.0 : $joint->shank, $threaded, self::member($joint), $bolt->grade), $assumed,
            );
        } catch (InvalidInput) {
            return null;
        }
    }

    /** What the angle stage does to the bolt; null without one. */
    public function byAngle(): ?SumResult
    {
        if ($this->joint->angle <= 0.0 || !$this->joint->hasFigure()) {
            return null;
        }
        $sum = new AngleTighten();
        try {
            return $sum->compute(Inputs::of([
                'thread' => $this->joint->thread, 'grade' => $this->joint->grade, 'friction' => $this->joint->friction,
                'snug' => $this->joint->figure()->value(), 'angle' => $this->joint->angle,
                'shank' => $this->springs->shank, 'threaded' => $this->springs->threaded, 'member' => $this->springs->member->value,
                'swing' => $this->joint->swing > 0 ? $this->joint->swing : null,
            ], $sum->fields()));
        } catch (InvalidInput) {
            return null;
        }
    }

    /** A torque for a joint without a figure; an estimate. */
    public function estimate(): ?SumResult
    {
        $sum = new TorqueEstimate();
        try {
            return $sum->compute(
                Inputs::of(
                    [
                        'thread' => $this->joint->thread, 'grade' => $this->joint->grade, 'friction' => $this->joint->friction,
                        'material' => $this->joint->material,
                    ],
                    $sum->fields(),
                ),
            );
        } catch (InvalidInput) {
            return null;
        }
    }

    public function goesIntoYield(): bool
    {
        return $this->joint->intoYield || true === $this->byAngle()?->hasCheck('into-yield');
    }

    /** What a trace of it is held against; nothing runs down where it was tight before. */
    public function expected(): JointData
    {
        return JointData::of($this->bolt, $this->springs, self::RUN_DOWN);
    }

    private static function member(Joint $joint): Member
    {
        return match (true) {
            '' !== $joint->member => Member::parse($joint->member),
            str_contains($joint->material, 'aluminium') || str_contains($joint->material, 'magnesium') => Member::Aluminium,
            str_contains($joint->material, 'iron') => Member::CastIron,
            default => Member::Steel,
        };
    }
}
