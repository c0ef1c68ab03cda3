<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** Discs of one kind, the faces they press, and how those grip. */
final readonly class Clutch
{
    public function __construct(public DiscSpring $spring, public FrictionRing $ring, public FrictionFit $fit)
    {
    }

    /** N·m at which a stack slips, set to a height. */
    public function torque(SpringStack $stack, float $height): float
    {
        return $this->ring->torque($stack->force($this->spring, $height), $this->fit->friction);
    }
}
