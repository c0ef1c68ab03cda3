<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

/** What can be wrong with a starting circuit that is cranked; each has the finding a judge should come to. */
enum CrankFault: string
{
    case None = 'none';
    case Battery = 'weak-battery';
    case Earth = 'bad-earth';
    case Feed = 'bad-feed';
    case Cylinder = 'low-cylinder';

    public function finding(): CrankFinding
    {
        return match ($this) {
            self::None => CrankFinding::Sound,
            self::Battery => CrankFinding::Battery,
            self::Earth => CrankFinding::Earth,
            self::Feed => CrankFinding::Feed,
            self::Cylinder => CrankFinding::Cylinder,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::Battery => 'the battery is weak',
            self::Earth => 'the earth is bad',
            self::Feed => 'the feed is bad',
            self::Cylinder => 'one cylinder is low',
        };
    }
}
