<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A joint is tightened while what it holds is off: tightened-before-in. */
final readonly class TightenedBeforeIn implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Tighten) as [$step, $rig]) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint && isset($rig->off[$joint->item])) {
                yield Finding::stop(
                    'tightened-before-in', $step->id, sprintf(
                        'The %s are tightened here, and the %s is still off.', $joint->name, $run->vehicle->items[$joint->item]->name,
                    ),
                    'Put the part back first.',
                );
            }
        }
    }
}
