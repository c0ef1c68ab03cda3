<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

/** What was done to a fluid of a vehicle, or read of it. */
enum FluidKind: string
{
    case Filled = 'filled';
    case ToppedUp = 'topped-up';
    case Level = 'level';
    case Strength = 'strength';
    case Dip = 'dip';

    public function label(): string
    {
        return match ($this) {
            self::Filled => 'changed, filled',
            self::ToppedUp => 'topped up',
            self::Level => 'level looked at',
            self::Strength => 'strength read',
            self::Dip => 'dipped',
        };
    }

    public function isOf(string $circuit): bool
    {
        return 'oil' === $circuit ? in_array($this, [self::Filled, self::ToppedUp, self::Dip], true) : self::Dip !== $this;
    }
}
