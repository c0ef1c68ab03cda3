<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

/** What an item keeps from happening: it tells when it has to be back. */
enum Protects: string
{
    case Nothing = '';
    case Heat = 'heat';
    case Rotation = 'rotation';
    case Structure = 'structure';
    case Air = 'air';
    case Drip = 'drip';

    public function label(): string
    {
        return match ($this) {
            self::Nothing => '',
            self::Heat => 'guards from heat: back before the first run',
            self::Rotation => 'guards from what turns: back before the first run',
            self::Structure => 'holds the structure: back before it is lowered',
            self::Air => 'guides air or would come loose: back before the drive',
            self::Drip => 'keeps drips off: back after the look for leaks',
        };
    }
}
