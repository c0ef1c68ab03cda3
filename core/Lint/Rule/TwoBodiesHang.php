<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\State\Ledger;

/** Engine and gearbox are off their mounts at once: two-hanging. */
final readonly class TwoBodiesHang implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Remove, StepKind::Move) as [$step, $rig]) {
            $carries = StepKind::Remove === $step->deed ? $run->vehicle->items[$step->target->item]->dangers->carries ?? '' : '';
            if ('' === $carries && StepKind::Move !== $step->deed) {
                continue;
            }
            $hanging = Ledger::of($rig->after($step), $run->vehicle)->hanging();
            if (count($hanging) > 1 && !in_array('both-hang', $step->tags, true)) {
                yield Finding::stop(
                    'two-hanging', $step->id,
                    sprintf('The %s and the %s are off their mounts at once.', $hanging[0]->body, $hanging[1]->body),
                    'Bolt the first down before the second is touched.',
                );

                return;
            }
        }
    }
}
