<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

/** What in a warm-up curve decides how it is judged. */
enum Sign
{
    case Jumped;
    case Saw;
    case GoesOn;
    case TooHot;
    case LevelsOff;
    case SlowToWarm;
    case NotSeenToOpen;
    case Opened;

    /** The finding as records and readings keep it. */
    public function finding(): string
    {
        return match ($this) {
            self::Jumped, self::Saw => 'air-trapped',
            self::GoesOn => 'stuck-closed',
            self::TooHot => 'overheating',
            self::LevelsOff, self::SlowToWarm => 'stuck-open',
            self::NotSeenToOpen => 'not-yet',
            self::Opened => 'sound',
        };
    }
}
