<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A rubber-bushed joint is tightened before the weight is on: bush-before-load. */
final readonly class BushBeforeLoad implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Tighten) as [$step, $rig]) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null === $joint || !in_array('loaded', $joint->going->when, true)) {
                continue;
            }
            $carries = $run->vehicle->items[$joint->item]->dangers->carries ?? '';
            if (isset($rig->held[$carries])) {
                yield Finding::stop(
                    'bush-before-load', $step->id,
                    sprintf(
                        'The %s pinch rubber; they are tightened here while the %s still hangs on its support.', $joint->name,
                        $carries,
                    ),
                    'Let the weight down and relax first, then tighten.',
                );
            }
        }
    }
}
