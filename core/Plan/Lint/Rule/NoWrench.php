<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** No wrench of the kit reaches a figure, or only one past its calibration: no-wrench, wrench-past-calibration. */
final readonly class NoWrench implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(Deed::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->joint] ?? null;
            if (null === $joint || !$joint->hasFigure()) {
                continue;
            }
            $advice = WrenchAdvice::for($run->kit, $joint, $joint->figure()->value());
            if (null === $advice->wrench) {
                yield Finding::stop('no-wrench', $step->id, $advice->why, 'Borrow a wrench that reaches it, or put an adapter on one that nearly does.');
            } elseif ($advice->wrench->isPastCalibration()) {
                yield Finding::watch('wrench-past-calibration', $step->id, $advice->why, 'Have it calibrated, or check it against another.');
            }
        }
    }
}
