<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

/** A point of the engine that comes near something: where it is in mm, how near, and in which direction the thing lies. */
final readonly class TiltPoint
{
    /** @param float $direction degrees from forward, counter-clockwise, with the nose to the right */
    public function __construct(
        public string $name, public float $x, public float $y, public float $gap, public float $direction,
    ) {
    }
}
