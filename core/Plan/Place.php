<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

/** From where something is reached, whatever the vehicle stands on. */
enum Place: string
{
    case Anywhere = 'anywhere';
    case Above = 'above';
    case Below = 'below';
    case Arch = 'arch';
    case Bench = 'bench';

    /** Where the vehicle has to be for it, unless a stance of its own is asked. */
    public function position(): Position
    {
        return match ($this) {
            self::Above => Position::Ground,
            self::Below => Position::Raised,
            self::Arch => Position::WheelOff,
            self::Anywhere, self::Bench => Position::Any,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::Anywhere => 'from anywhere',
            self::Above => 'from above',
            self::Below => 'from below',
            self::Arch => 'through the arch',
            self::Bench => 'at the bench',
        };
    }
}
