<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** An item is taken off that is off already: removed-twice. */
final readonly class RemovedTwice implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Remove) as [$step, $rig]) {
            if (isset($rig->off[$step->target->item])) {
                yield Finding::stop(
                    'removed-twice', $step->id, sprintf(
                        'The %s is off already here.', $run->vehicle->items[$step->target->item]->name ?? $step->target->item,
                    ),
                    'Take one of the two removals out.',
                );
            }
        }
    }
}
