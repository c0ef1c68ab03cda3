<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Curve;

/** A finding that cannot wait for the end of a curve: it fills the screen until somebody says it is done. */
enum AtOnce: string
{
    case Overheating = 'overheating';
    case OverLimit = 'over-limit';
    case LetsGo = 'lets-go';

    public function title(): string
    {
        return match ($this) {
            self::Overheating => 'Stop the engine now',
            self::OverLimit => 'Off the throttle now',
            self::LetsGo => 'Let it down now',
        };
    }

    public function warns(): string
    {
        return match ($this) {
            self::Overheating => 'Fan and belts may still turn. Cap shut, nobody under it, no water on it.',
            self::OverLimit => 'It rolls home without boost. Nobody drives it again before it is found.',
            self::LetsGo => 'Supply shut, nobody before a plug or a hose. Gauge at nothing before a hand goes near.',
        };
    }

    /** What a person answers it with. */
    public function answer(): string
    {
        return match ($this) {
            self::Overheating => 'The engine is off',
            self::OverLimit => 'It is off the throttle',
            self::LetsGo => 'It is let down',
        };
    }
}
