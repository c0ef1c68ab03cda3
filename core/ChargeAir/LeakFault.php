<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** What a charge path that is shut under pressure can do; each has the finding a judge should come to. */
enum LeakFault: string
{
    case None = 'none';
    case Leaking = 'leaking';
    case WarmAir = 'warm-air';
    case StillFed = 'still-fed';
    case LettingGo = 'letting-go';

    public function finding(): LeakFinding
    {
        return match ($this) {
            self::None => LeakFinding::Tight,
            self::Leaking => LeakFinding::Leaks,
            self::WarmAir => LeakFinding::CoolsDown,
            self::StillFed => LeakFinding::Rises,
            self::LettingGo => LeakFinding::LetsGo,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'tight',
            self::Leaking => 'it leaks',
            self::WarmAir => 'the air was warm',
            self::StillFed => 'the supply is not shut',
            self::LettingGo => 'a hose lets go',
        };
    }
}
