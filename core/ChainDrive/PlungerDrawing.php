<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChainDrive;

/** The plunger out of its body against its limit, to scale with itself. Frame of 640 by 180. */
final readonly class PlungerDrawing
{
    private const FROM = 190.0;
    private const LIMIT = 300.0;
    private const MOST = 420.0;

    private function __construct(
        public float $from, public float $tip, public float $limit, public float $travel, public float $allowed, public bool $isPast,
    ) {
    }

    public static function of(ChainTravel $chain, float $limit): self
    {
        return new self(
            self::FROM, self::FROM + min(self::MOST, self::LIMIT * $chain->used->value), self::FROM + self::LIMIT,
            $chain->used->value * $limit, $limit,
            $chain->used->value > 1.0,
        );
    }
}
