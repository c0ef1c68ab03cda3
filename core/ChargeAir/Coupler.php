<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** A hose of the box: inside diameters of its ends, its angle, its wall. mm and degrees. */
final readonly class Coupler
{
    public const WALL = 4.5;

    public function __construct(public string $name, public float $a, public float $b, public float $angle, public float $wall = self::WALL)
    {
    }

    public function isLike(self $other): bool
    {
        $same = static fn (float $one, float $two): bool => abs($one - $two) < 1e-9;

        return $same($this->angle, $other->angle) && $same($this->wall, $other->wall)
            && ($same($this->a, $other->a) && $same($this->b, $other->b) || $same($this->a, $other->b) && $same($this->b, $other->a));
    }
}
