<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

/** Where the vehicle has to be for a step. */
enum Position: string
{
    case Any = 'any';
    case Ground = 'ground';
    case Raised = 'raised';
    case WheelOff = 'wheel-off';

    public function label(): string
    {
        return match ($this) {
            self::Any => 'as it stands',
            self::Ground => 'on the floor',
            self::Raised => 'on stands',
            self::WheelOff => 'on stands, wheel off',
        };
    }
}
