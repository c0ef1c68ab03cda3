<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A joint is to be tightened and nobody knows to what: joint-no-figure. */
final readonly class JointWithoutFigure implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint && !$joint->holdsAWheel() && !$joint->hasFigure() && !$joint->isByTurn()) {
                yield Finding::stop(
                    'joint-no-figure', $step->id, sprintf('No figure is known for the %s.', $joint->name),
                    'Enter the figure on the vehicle sheet, from the maker’s service information.',
                );
            }
        }
    }
}
