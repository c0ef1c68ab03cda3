<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/** Torque, preload and yield of one bolt (VDI 2230-1). Forces in N, torques in N·m. */
final readonly class Preload
{
    public function __construct(private Thread $thread, private Grade $grade, private BearingFace $face)
    {
    }

    /**
     * Preload at a share of yield (0 to 1) under combined tension and twist: F = ν Rp AS / √(1 + 3 [1.5 (d2/dS)(P/(π
     * d2) + 1.155 μG)]²).
     */
    public function atShareOfYield(float $share, float $threadFriction): float
    {
        $d2 = $this->thread->pitchDiameter();
        $twist = 1.5 * $d2 / $this->thread->stressDiameter() * ($this->thread->pitch / (\M_PI * $d2) + 1.155 * $threadFriction);

        return $share * $this->grade->yieldStress() * $this->thread->stressArea() / sqrt(1 + 3 * $twist ** 2);
    }

    /** Lever of the friction chain in mm, M = F · lever: 0.16 P + 0.58 d2 μG + DKm/2 μK. */
    public function lever(float $threadFriction, float $headFriction): float
    {
        return 0.16 * $this->thread->pitch + 0.58 * $this->thread->pitchDiameter() * $threadFriction + $this->face->meanDiameter() / 2 * $headFriction;
    }

    /** Torque in N·m that gives a preload in N. */
    public function torqueFor(float $preload, float $threadFriction, float $headFriction): float
    {
        return $preload * $this->lever($threadFriction, $headFriction) / 1000;
    }

    /** Preload in N that a torque in N·m gives. */
    public function fromTorque(float $torque, float $threadFriction, float $headFriction): float
    {
        return $torque * 1000 / $this->lever($threadFriction, $headFriction);
    }

    public function yieldTorque(float $threadFriction, float $headFriction): float
    {
        return $this->torqueFor($this->atShareOfYield(1.0, $threadFriction), $threadFriction, $headFriction);
    }
}
