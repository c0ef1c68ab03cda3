<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\EstimatedTorque;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Tightening\AngleTightening;
use NimbleKnuckle\Core\Trace\JointData;

/**
 * A joint of the vehicle sheet as bolt and springs, as far as the sheet tells: its grip as entered, or else the bolt's
 * length less one and a fifth diameters of engaged thread, all of it threaded, which is then said to be assumed.
 */
final readonly class JointMechanics
{
    /** Turns a bolt is run down by a wrench after it was started by hand, in degrees. */
    public const RUN_DOWN = 540.0;
    private const ENGAGED_DIAMETERS = 1.2;
    /** Where the sheet does not say how long the bolt is, in diameters. */
    private const USUAL_DIAMETERS = 2.5;
    /** The least that is clamped, in diameters. */
    private const LEAST_DIAMETERS = 0.6;

    private function __construct(public Joint $joint, public Bolt $bolt, public Springs $springs, public bool $gripAssumed)
    {
    }

    /** Null where the sheet does not name what we know; missing() tells what. */
    public static function of(Joint $joint): ?self
    {
        return self::read($joint)[0];
    }

    /** Why nothing can be worked out of a joint that has none; empty where it can. */
    public static function missing(Joint $joint): string
    {
        return self::read($joint)[1];
    }

    /** @return array{?self, string} */
    private static function read(Joint $joint): array
    {
        $thread = $joint->fastener->named->known;
        if (null === $thread) {
            return [null, $joint->fastener->named->unknown];
        }
        try {
            $bolt = Bolt::of($thread, $joint->fastener->grade, $joint->seat->friction);
            $isAssumed = !$joint->seat->grip->isKnown();
            $springs = Springs::of(
                $thread, $joint->seat->grip->shank, $isAssumed ? self::assumedGrip($joint, $bolt) : $joint->seat->grip->threaded,
                self::member($joint->seat), $bolt->grade,
            );

            return [new self($joint, $bolt, $springs, $isAssumed), ''];
        } catch (InvalidInput $e) {
            return [null, $e->getMessage()];
        }
    }

    /** What the angle stage does to the bolt; null without one. */
    public function byAngle(): ?AngleTightening
    {
        return $this->joint->going->angle <= 0.0 || !$this->joint->hasFigure() ? null : AngleTightening::of(
            $this->bolt, $this->springs, Torque::newtonMetres($this->joint->figure()->value()), Angle::degrees($this->joint->going->angle),
        );
    }

    /** A torque for a joint without a figure; null for a wheel, and where it screws into what nobody here can judge. */
    public function estimate(): ?EstimatedTorque
    {
        if ($this->joint->holdsAWheel()) {
            return null;
        }
        $into = '' === $this->joint->seat->material ? null : Material::named($this->joint->seat->material);

        return null === $into && '' !== $this->joint->seat->material ? null : EstimatedTorque::usual($this->bolt, $into);
    }

    public function goesIntoYield(): bool
    {
        return $this->joint->fastener->intoYield || true === $this->byAngle()?->goesIntoYield();
    }

    /** What a trace of it is held against; nothing runs down where it was tight before. */
    public function expected(): JointData
    {
        return JointData::of($this->bolt, $this->springs, self::RUN_DOWN);
    }

    private static function assumedGrip(Joint $joint, Bolt $bolt): Length
    {
        $diameter = $bolt->thread->diameter;
        $long = 1 === preg_match(
            '~\A\s*([0-9]+(?:\.[0-9]+)?)~', $joint->fastener->length, $m,
        ) ? (float) $m[1] : self::USUAL_DIAMETERS * $diameter;

        return Length::millimetres(max(self::LEAST_DIAMETERS * $diameter, $long - self::ENGAGED_DIAMETERS * $diameter));
    }

    private static function member(ThreadContact $seat): Member
    {
        return match (true) {
            '' !== $seat->grip->member => Member::parse($seat->grip->member),
            $seat->isSoft() => Member::Aluminium,
            str_contains($seat->material, 'iron') => Member::CastIron,
            default => Member::Steel,
        };
    }
}
