<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Sheet\Step;

/** The kinds of curve a bench takes, by the sum of a step or by what a device measures. */
final readonly class CurveKinds
{
    /** @var list<CurveKind> */
    private array $all;

    public function __construct(HubCurve $hub, LeakCurve $leak, PumpCurve $pump, BoostCurve $boost, CrankCurve $crank)
    {
        $this->all = [$hub, $leak, $pump, $boost, $crank];
    }

    public function of(Step $step): ?CurveKind
    {
        foreach ($this->all as $kind) {
            if ($kind->sum() === $step->asking->sum) {
                return $kind;
            }
        }

        return null;
    }

    public function sentBy(DeviceKind $device): ?CurveKind
    {
        foreach ($this->all as $kind) {
            if ($kind->device() === $device) {
                return $kind;
            }
        }

        return null;
    }
}
