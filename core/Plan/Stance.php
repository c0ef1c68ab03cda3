<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

/** What the vehicle stands on. */
enum Stance: string
{
    case Any = 'any';
    case Floor = 'floor';
    case Stands = 'stands';
    case Ramps = 'ramps';
    case Lift = 'lift';

    /** @return list<self> what a vehicle can be said to stand on */
    public static function real(): array
    {
        return [self::Floor, self::Stands, self::Ramps, self::Lift];
    }

    public function label(): string
    {
        return match ($this) {
            self::Any => 'as it stands',
            self::Floor => 'on the floor',
            self::Stands => 'on its stands',
            self::Ramps => 'on ramps',
            self::Lift => 'on the lift',
        };
    }

    public function isUp(): bool
    {
        return self::Any !== $this && self::Floor !== $this;
    }
}
