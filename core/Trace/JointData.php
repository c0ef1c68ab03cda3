<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Springs;

/**
 * What a trace can be held against: the slope this bolt should show (N·m a degree), how far it should run down (degrees),
 * the torque at which it yields (N·m). Zero where it is not known.
 */
final readonly class JointData
{
    /** @param bool $isGuessed the slope comes of an assumed grip: what is soft cannot be told by it */
    private function __construct(public float $slope, public float $runDown, public float $yieldTorque, public bool $isGuessed = false)
    {
    }

    public static function unknown(): self
    {
        return new self(0.0, 0.0, 0.0);
    }

    public static function of(Bolt $bolt, Springs $springs, float $runDown, bool $isGuessed = false): self
    {
        $slope = $bolt->typicalTorque($springs->perDegree())->newtonMetres;

        return new self($slope, $runDown, $bolt->typicalTorque($bolt->yieldsAt())->newtonMetres, $isGuessed);
    }

    /** Only its slope is known, N·m a degree, and how far it should run down, degrees. */
    public static function bySlope(float $slope, float $runDown): self
    {
        return new self($slope, $runDown, 0.0);
    }

    public function knowsSlope(): bool
    {
        return $this->slope > 0.0;
    }

    public function knowsRunDown(): bool
    {
        return $this->runDown > 0.0;
    }
}
