<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** One of a loosely fitted set is tightened before all of it is in: set-not-complete. */
final readonly class SetNotComplete implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Tighten) as [$step, $rig]) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null === $joint || '' === $joint->going->set) {
                continue;
            }
            foreach ($run->vehicle->joints as $other) {
                if ($other->going->set === $joint->going->set && isset($rig->off[$other->item])) {
                    yield Finding::stop(
                        'set-not-complete', $step->id,
                        sprintf('The %s are tightened while the %s are not in yet.', $joint->name, $other->name),
                        'Start all of the set by hand before any of it is tightened.',
                    );
                }
            }
        }
    }
}
