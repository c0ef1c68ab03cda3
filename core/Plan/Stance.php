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

    public function isUp(): bool
    {
        return self::Any !== $this && self::Floor !== $this;
    }
}
