<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/** What can be wrong with a wastegate actuator; each has the finding a judge should come to. */
enum ActuatorFault: string
{
    case None = 'none';
    case Sticking = 'sticking';
    case Leaking = 'leaking';
    case OtherSpring = 'other-spring';
    case Bent = 'bent';
    case Seized = 'seized';

    public function finding(): ActuatorFinding
    {
        return match ($this) {
            self::None => ActuatorFinding::Sound,
            self::Sticking => ActuatorFinding::Sticks,
            self::Leaking => ActuatorFinding::Leaks,
            self::OtherSpring => ActuatorFinding::SpringOffLabel,
            self::Bent => ActuatorFinding::StoppedShort,
            self::Seized => ActuatorFinding::NeverMoves,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::Sticking => 'it sticks',
            self::Leaking => 'it leaks',
            self::OtherSpring => 'another spring',
            self::Bent => 'it stops short',
            self::Seized => 'it does not move',
        };
    }
}
