<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\State\Ledger;

/** Two mounts of one thing are off at once: mounts-both-out. */
final readonly class MountsBothOut implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Remove, StepKind::Move) as [$step, $rig]) {
            $carries = StepKind::Remove === $step->deed ? $run->vehicle->items[$step->target->item]->dangers->carries ?? '' : '';
            if ('' === $carries && StepKind::Move !== $step->deed) {
                continue;
            }
            foreach (Ledger::of($rig->after($step), $run->vehicle)->bodies as $bearing) {
                if ($bearing->offMounts() > 1) {
                    yield Finding::stop(
                        'mounts-both-out', $step->id, sprintf('The %s has %s.', $bearing->body, $bearing->said()),
                        'One out and one in, then the other.',
                    );

                    return;
                }
            }
        }
    }
}
