<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/** Why something is a loose end; each kind has its own mark on screen. */
enum LooseEndKind: string
{
    case Removed = 'removed';
    case Tray = 'tray';
    case Joint = 'joint';
    case Circuit = 'circuit';
    case Dropped = 'dropped';
    case Waiting = 'waiting';
    case Due = 'due';
    case Reading = 'reading';
    case Curve = 'curve';
    case Step = 'step';

    public function label(): string
    {
        return match ($this) {
            self::Removed => 'off the vehicle',
            self::Tray => 'tray does not add up',
            self::Joint => 'not tight yet',
            self::Circuit => 'circuit open',
            self::Dropped => 'dropped',
            self::Waiting => 'waiting',
            self::Due => 'to be booked',
            self::Reading => 'reading outside its limits',
            self::Curve => 'a curve says stop',
            self::Step => 'step not done',
        };
    }
}
