<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

/** What can be wrong with a cooling circuit that warms up; each has the finding a judge should come to. */
enum EngineFault: string
{
    case None = 'none';
    case StuckOpen = 'stuck-open';
    case StuckClosed = 'stuck-closed';
    case TrappedAir = 'trapped-air';
    case LowLevel = 'low-level';
    case FanDead = 'fan-dead';

    public function finding(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::StuckOpen => 'stuck-open',
            self::StuckClosed => 'stuck-closed',
            self::TrappedAir, self::LowLevel => 'air-trapped',
            self::FanDead => 'overheating',
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::StuckOpen => 'thermostat stuck open',
            self::StuckClosed => 'thermostat stuck closed',
            self::TrappedAir => 'air trapped',
            self::LowLevel => 'level low',
            self::FanDead => 'fan does not run',
        };
    }
}
