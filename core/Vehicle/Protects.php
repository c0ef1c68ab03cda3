<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** What an item keeps from happening: it tells when it has to be back. */
enum Protects: string
{
    case Nothing = '';
    case Heat = 'heat';
    case Rotation = 'rotation';
    case Structure = 'structure';
    case Air = 'air';
    case Drip = 'drip';

    /** Whether nothing may run without it. */
    public function isForTheRun(): bool
    {
        return self::Heat === $this || self::Rotation === $this;
    }

    /** What it does, after its name: “guards from heat”. */
    public function does(): string
    {
        return match ($this) {
            self::Nothing => '',
            self::Heat => 'guards from heat',
            self::Rotation => 'guards from what turns',
            self::Structure => 'holds the structure',
            self::Air => 'guides air or would come loose',
            self::Drip => 'keeps drips off',
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::Nothing => '',
            self::Heat, self::Rotation => $this->does().': back before the first run',
            self::Structure => $this->does().': back before it is lowered',
            self::Air => $this->does().': back before the drive',
            self::Drip => $this->does().': back after the look for leaks',
        };
    }
}
