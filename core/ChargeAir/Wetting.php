<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** What is between hose and pipe. Friction of silicone or rubber on a metal pipe: working values, a ratio. */
enum Wetting: string
{
    case Dry = 'dry';
    case Damp = 'damp';
    case Oily = 'oily';

    public function friction(): float
    {
        return match ($this) {
            self::Dry => 0.45,
            self::Damp => 0.25,
            self::Oily => 0.10,
        };
    }
}
