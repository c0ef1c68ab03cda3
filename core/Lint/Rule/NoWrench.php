<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Vehicle\Joint;

/**
 * No wrench of the kit reaches a figure, only one past its calibration, or none that stays inside the range and under the ceiling:
 * no-wrench, wrench-past-calibration, wrench-too-coarse.
 */
final readonly class NoWrench implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null === $joint || !$joint->hasFigure()) {
                continue;
            }
            $advice = WrenchAdvice::for($run->kit, $joint, $joint->figure()->value());
            if (null === $advice->wrench) {
                yield Finding::stop(
                    'no-wrench', $step->id, $advice->why,
                    'Borrow a wrench that reaches it, or put an adapter on one that nearly does.',
                );
            } elseif ($advice->wrench->isPastCalibration()) {
                yield Finding::watch(
                    'wrench-past-calibration', $step->id, sprintf(
                        'The %s is %d days past its calibration, and nothing else reaches the %s.', $advice->wrench->name,
                        $advice->wrench->daysPastCalibration, $joint->name,
                    ), 'Have it calibrated, or check it against another.',
                );
            }
            if ($advice->isTooCoarse()) {
                yield Finding::watch('wrench-too-coarse', $step->id, sprintf(
                    'With the %s the %s may get %s to %s N·m, and %s is allowed.', $advice->wrench->name ?? '', $joint->name,
                    round($advice->band->low ?? 0.0, 1), round($advice->band->high ?? 0.0, 1), self::allowed($joint),
                ), 'Take a finer wrench, or ask the maker which end matters.');
            }
        }
    }

    private static function allowed(Joint $joint): string
    {
        return trim($joint->stated().' '.('' === $joint->spec->inWords() ? '' : '('.$joint->spec->inWords().')'));
    }
}
