<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Stress;

/**
 * How much a length of engaged thread holds before one of its two sides strips. Shear areas on the basic profile (ISO 68-1):
 * internal 0.875 π d Le, external 0.75 π D1 Le.
 */
final readonly class Engagement
{
    /** Threads of the bolt shear at this share of its tensile strength. */
    public const BOLT_SHEAR_SHARE = 0.6;

    /** @param Stress $shearStrength of what it screws into */
    public function __construct(public Thread $thread, public Grade $grade, public Stress $shearStrength)
    {
    }

    /** Tensile strength over the stress area, ISO 898-1. */
    public function boltForce(): Force
    {
        return Force::newtons($this->thread->stressArea() * $this->grade->tensileStrength());
    }

    /** What strips the hole's thread. */
    public function internalForce(Length $engaged): Force
    {
        return Force::newtons($this->thread->internalShearArea($engaged->millimetres) * $this->shearStrength->megapascals);
    }

    /** What strips the bolt's thread. */
    public function externalForce(Length $engaged): Force
    {
        return Force::newtons(
            $this->thread->externalShearArea($engaged->millimetres) * self::BOLT_SHEAR_SHARE * $this->grade->tensileStrength(),
        );
    }

    /** Of the weaker side. */
    public function stripForce(Length $engaged): Force
    {
        return $this->internalForce($engaged)->orLess($this->externalForce($engaged));
    }

    public function holeIsWeaker(): bool
    {
        $one = Length::millimetres(1.0);

        return $this->internalForce($one)->newtons <= $this->externalForce($one)->newtons;
    }

    /** At which the bolt breaks before the thread strips, with a safety. */
    public function needed(float $safety): Length
    {
        $one = Length::millimetres(1.0);

        return $one->times($safety * $this->boltForce()->over($this->stripForce($one)));
    }
}
