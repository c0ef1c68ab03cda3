<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/** How much a length of engaged thread holds before one of its two sides strips. Lengths in mm, stresses in MPa, forces in N. */
final readonly class Engagement
{
    /** Threads of the bolt shear at this share of its tensile strength. */
    public const BOLT_SHEAR_SHARE = 0.6;

    /** @param float $shearStrength of what it screws into, MPa */
    public function __construct(public Thread $thread, public Grade $grade, public float $shearStrength)
    {
    }

    /** N: tensile strength over the stress area, ISO 898-1. */
    public function boltForce(): float
    {
        return $this->thread->stressArea() * $this->grade->tensileStrength();
    }

    /** Force that strips the hole's thread, N. */
    public function internalForce(float $engaged): float
    {
        return $this->thread->internalShearArea($engaged) * $this->shearStrength;
    }

    /** Force that strips the bolt's thread, N. */
    public function externalForce(float $engaged): float
    {
        return $this->thread->externalShearArea($engaged) * self::BOLT_SHEAR_SHARE * $this->grade->tensileStrength();
    }

    /** N, of the weaker side. */
    public function stripForce(float $engaged): float
    {
        return min($this->internalForce($engaged), $this->externalForce($engaged));
    }

    public function holeIsWeaker(): bool
    {
        return $this->internalForce(1.0) <= $this->externalForce(1.0);
    }

    /** Engagement in mm at which the bolt breaks before the thread strips, with a safety. */
    public function needed(float $safety): float
    {
        return $safety * $this->boltForce() / $this->stripForce(1.0);
    }
}
