<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** A wheel of the vehicle. */
enum Corner: string
{
    case FrontLeft = 'fl';
    case FrontRight = 'fr';
    case RearLeft = 'rl';
    case RearRight = 'rr';

    public function label(): string
    {
        return match ($this) {
            self::FrontLeft => 'front left',
            self::FrontRight => 'front right',
            self::RearLeft => 'rear left',
            self::RearRight => 'rear right',
        };
    }
}
