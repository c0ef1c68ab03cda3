<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** An item goes back that was never taken off: refit-not-off. */
final readonly class RefitNotOff implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Refit) as [$step, $rig]) {
            if ('' !== $step->target->item && !isset($rig->off[$step->target->item])) {
                yield Finding::stop(
                    'refit-not-off', $step->id, sprintf(
                        'The %s was never taken off.', $run->vehicle->items[$step->target->item]->name ?? $step->target->item,
                    ),
                    'Take it off first, or leave this step out.',
                );
            }
        }
    }
}
