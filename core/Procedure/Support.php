<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** What takes a weight for a while, and where it stands. */
enum Support: string
{
    case Bar = 'bar';
    case Jack = 'jack';
    case Stand = 'stand';
    case Crane = 'crane';

    /** It stands on the floor: a body on it stays where it is when the vehicle goes up or down. */
    public function standsOnTheFloor(): bool
    {
        return self::Bar !== $this;
    }

    public function reachesFromAbove(): bool
    {
        return self::Bar === $this || self::Crane === $this;
    }

    public function label(): string
    {
        return match ($this) {
            self::Bar => 'support bar',
            self::Jack => 'jack with timber',
            self::Stand => 'stand',
            self::Crane => 'crane',
        };
    }
}
