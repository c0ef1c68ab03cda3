<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * A sprung arm with an idler at its end. mm, and degrees counter-clockwise, 0 to the right, 90 up: where it rests without a belt,
 * and the window it works in. Near is the end of the window next to the rest, where a long belt puts it.
 */
final readonly class Tensioner
{
    /** Degrees past the far end of the window that the arm is followed. */
    public const OVER = 20.0;
    public float $near;
    public float $far;

    /** @param array{float, float} $window */
    public function __construct(public float $x, public float $y, public float $arm, public float $free, array $window)
    {
        $isNear = abs($window[0] - $free) <= abs($window[1] - $free);
        [$this->near, $this->far] = $isNear ? $window : [$window[1], $window[0]];
    }

    /** Seen from the other side. */
    public function mirrored(): self
    {
        return new self(-$this->x, $this->y, $this->arm, 180 - $this->free, [180 - $this->near, 180 - $this->far]);
    }

    public function restsInWindow(): bool
    {
        return ($this->free - $this->near) * ($this->free - $this->far) < 0.0;
    }

    public function on(Pulley $idler, float $angle): Pulley
    {
        return $idler->at($this->x + $this->arm * cos(deg2rad($angle)), $this->y + $this->arm * sin(deg2rad($angle)));
    }

    /** Percent of the window, 0 at its near end. */
    public function travel(float $angle): float
    {
        return 100 * ($angle - $this->near) / ($this->far - $this->near);
    }

    /** The furthest it is followed, in degrees. */
    public function end(): float
    {
        return $this->far + self::OVER * ($this->far <=> $this->free);
    }

    /** The way a tool turns it to give slack, seen from the front: from its rest towards the far end. */
    public function turnsCounterClockwise(): bool
    {
        return $this->far > $this->free;
    }
}
