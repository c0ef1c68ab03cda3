<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

/** The side of the vehicle one stands at, on the floor or under it. */
enum Side: string
{
    case Anywhere = 'anywhere';
    case Front = 'front';
    case Left = 'left';
    case Right = 'right';
    case Rear = 'rear';
    case Inside = 'inside';

    private const ROUND = ['front', 'left', 'rear', 'right'];

    /** Sides to walk past: a quarter round the vehicle is one; in and out of it is one from the nearest door. */
    public function walk(self $to): int
    {
        if ($this === $to || self::Anywhere === $this || self::Anywhere === $to) {
            return 0;
        }
        if (self::Inside === $this || self::Inside === $to) {
            return 1 + (in_array(self::Inside === $this ? $to : $this, [self::Left, self::Right], true) ? 0 : 1);
        }
        $apart = abs((int) array_search($this->value, self::ROUND, true) - (int) array_search($to->value, self::ROUND, true));

        return min($apart, 4 - $apart);
    }

    public function label(): string
    {
        return match ($this) {
            self::Anywhere => 'anywhere',
            self::Left, self::Right => $this->value.' side',
            self::Inside => 'inside',
            default => $this->value,
        };
    }
}
