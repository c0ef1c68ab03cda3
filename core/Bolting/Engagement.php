<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Stress;

/**
 * How much a length of engaged thread holds before one of its two sides strips. Shear areas on the basic profile (ISO 68-1).
 * Lengths in mm; safety is a ratio.
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
        return Force::newtons($this->boltFormula()->value);
    }

    /** N. */
    public function boltFormula(): Formula
    {
        return Formula::of('F = AS Rm', [
            'AS' => Term::of($this->thread->stressArea(), 'mm²'), 'Rm' => Term::of($this->grade->tensileStrength(), 'MPa'),
        ]);
    }

    /** What strips the hole's thread. */
    public function internalForce(Length $engaged): Force
    {
        return Force::newtons($this->internalFormula($engaged)->value);
    }

    /** N. */
    public function internalFormula(Length $engaged): Formula
    {
        return Formula::of('F = '.Thread::INTERNAL.' τ', [
            'd' => $this->thread->diameter, 'Le' => $engaged->millimetres, 'τ' => $this->shearStrength->megapascals,
        ]);
    }

    /** What strips the bolt's thread. */
    public function externalForce(Length $engaged): Force
    {
        return Force::newtons($this->externalFormula($engaged)->value);
    }

    /** N. */
    public function externalFormula(Length $engaged): Formula
    {
        return Formula::of('F = '.Thread::EXTERNAL.' share Rm', [
            'D1' => $this->thread->minorDiameter(), 'Le' => $engaged->millimetres, 'share' => Term::fixed(self::BOLT_SHEAR_SHARE),
            'Rm' => $this->grade->tensileStrength(),
        ]);
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
        return Length::millimetres($this->neededFormula($safety)->value);
    }

    /** mm. */
    public function neededFormula(float $safety): Formula
    {
        return Formula::of('Le = safety × AS Rm / strip force a millimetre', [
            'safety' => $safety, 'AS Rm' => $this->boltForce()->newtons,
            'strip force a millimetre' => $this->stripForce(Length::millimetres(1.0))->newtons,
        ]);
    }
}
