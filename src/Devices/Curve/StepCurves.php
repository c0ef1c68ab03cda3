<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Sheet\Step;

/** The curves a bench takes, by the sum of a step or by what a device measures. */
final readonly class StepCurves
{
    /** @var list<StepCurve> */
    private array $all;

    public function __construct(HubCurve $hub, LeakCurve $leak, PumpCurve $pump, BoostCurve $boost, CrankCurve $crank)
    {
        $this->all = [$hub, $leak, $pump, $boost, $crank];
    }

    public function of(Step $step): ?StepCurve
    {
        foreach ($this->all as $curve) {
            if ($curve->kind()->value === $step->asking->sum) {
                return $curve;
            }
        }

        return null;
    }

    public function sentBy(DeviceKind $device): ?StepCurve
    {
        foreach ($this->all as $curve) {
            if ($curve->device() === $device) {
                return $curve;
            }
        }

        return null;
    }
}
