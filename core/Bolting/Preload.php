<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Torque;

/** Torque, preload and yield of one bolt (VDI 2230-1). */
final readonly class Preload
{
    public function __construct(private Thread $thread, private Grade $grade, private BearingFace $face)
    {
    }

    /**
     * Preload at a share of yield under combined tension and twist: F = ν Rp AS / √(1 + 3 [1.5 (d2/dS)(P/(π d2) + 1.155 μG)]²).
     */
    public function atShareOfYield(Share $share, float $threadFriction): Force
    {
        $d2 = $this->thread->pitchDiameter();
        $twist = 1.5 * $d2 / $this->thread->stressDiameter() * ($this->thread->pitch / (\M_PI * $d2) + 1.155 * $threadFriction);

        return Force::newtons($share->ofOne * $this->grade->yieldStress() * $this->thread->stressArea() / sqrt(1 + 3 * $twist ** 2));
    }

    /** Lever of the friction chain in mm, M = F · lever: 0.16 P + 0.58 d2 μG + DKm/2 μK. */
    public function lever(float $threadFriction, float $headFriction): float
    {
        return 0.16 * $this->thread->pitch
            + 0.58 * $this->thread->pitchDiameter() * $threadFriction
            + $this->face->meanDiameter() / 2 * $headFriction;
    }

    public function torqueFor(Force $preload, float $threadFriction, float $headFriction): Torque
    {
        return Torque::newtonMetres($preload->newtons * $this->lever($threadFriction, $headFriction) / 1000);
    }

    public function fromTorque(Torque $torque, float $threadFriction, float $headFriction): Force
    {
        return Force::newtons($torque->newtonMetres * 1000 / $this->lever($threadFriction, $headFriction));
    }

    public function yieldTorque(float $threadFriction, float $headFriction): Torque
    {
        return $this->torqueFor($this->atShareOfYield(Share::whole(), $threadFriction), $threadFriction, $headFriction);
    }
}
