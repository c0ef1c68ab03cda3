<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** An item is taken off that is off already: removed-twice. */
final readonly class RemovedTwice implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Remove) as [$step, $rig]) {
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
