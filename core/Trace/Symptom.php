<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/** What in a trace decides how it is judged; its value is the finding it counts as. */
enum Symptom
{
    case TorqueFell;
    case CameEarly;
    case Drags;
    case Jolted;
    case TooSteep;
    case Yielded;
    case YieldedByAngle;
    case TorqueShort;
    case TorqueOver;
    case NeverSnug;
    case AngleShort;
    case AngleOver;
    case DragsSlack;
    case Slack;
    case RisesFast;
    case RisesSlowly;
    case Straight;
    case StraightByAngle;

    /** The finding as records and readings keep it. */
    public function finding(): string
    {
        return match ($this) {
            self::TorqueFell => 'stripping',
            self::CameEarly, self::Drags, self::DragsSlack => 'cross-threaded',
            self::Jolted => 'jerked',
            self::TooSteep => 'bottomed',
            self::Yielded, self::YieldedByAngle => 'yielding',
            self::TorqueShort, self::NeverSnug, self::AngleShort => 'short',
            self::TorqueOver, self::AngleOver => 'over',
            self::Slack => 'soft',
            self::RisesFast, self::RisesSlowly => 'cannot-tell',
            self::Straight, self::StraightByAngle => 'sound',
        };
    }

    public function isSound(): bool
    {
        return self::Straight === $this || self::StraightByAngle === $this;
    }

    public function isYielding(): bool
    {
        return self::Yielded === $this || self::YieldedByAngle === $this;
    }
}
