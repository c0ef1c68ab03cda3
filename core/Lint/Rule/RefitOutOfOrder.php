<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/**
 * Something goes back while what lies behind it is still off, or comes off while what lies in front is still on:
 * refit-out-of-order, strip-out-of-order.
 */
final readonly class RefitOutOfOrder implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Refit, StepKind::Remove) as [$step, $rig]) {
            $item = $run->vehicle->items[$step->target->item] ?? null;
            if (null === $item) {
                continue;
            }
            foreach (StepKind::Refit === $step->deed ? $run->vehicle->hiddenBy($item->id) : [] as $id) {
                if (isset($rig->off[$id])) {
                    yield Finding::stop(
                        'refit-out-of-order', $step->id,
                        sprintf('The %s goes back here while the %s behind it is still off.', $item->name, $run->vehicle->items[$id]->name),
                        sprintf('Refit the %s first.', $run->vehicle->items[$id]->name),
                    );
                }
            }
            foreach (StepKind::Remove === $step->deed ? $item->access->behind : [] as $front) {
                if (!isset($rig->off[$front])) {
                    yield Finding::stop(
                        'strip-out-of-order', $step->id,
                        sprintf(
                            'The %s comes off here while the %s in front of it is still on.', $item->name,
                            $run->vehicle->items[$front]->name,
                        ),
                        sprintf('Take off the %s first.', $run->vehicle->items[$front]->name),
                    );
                }
            }
        }
    }
}
