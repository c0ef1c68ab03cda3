<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

/** What a recording of a starter that cranks comes to. */
enum CrankFinding: string
{
    case Sound = 'sound';
    case Battery = 'weak-battery';
    case Earth = 'bad-earth';
    case Feed = 'bad-feed';
    case Cylinder = 'low-cylinder';
    /** It was not cranked, or not for long enough. */
    case TooShort = 'too-short';

    public function label(): string
    {
        return match ($this) {
            self::Sound => 'sound',
            self::Battery => 'weak battery',
            self::Earth => 'bad earth',
            self::Feed => 'bad feed',
            self::Cylinder => 'one cylinder is low',
            self::TooShort => 'too short to tell',
        };
    }
}
