<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** A mount is undone with nothing holding what hangs on it: weight-unsupported. */
final readonly class WeightUnsupported implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Remove) as [$step, $rig]) {
            $item = $run->vehicle->items[$step->target->item] ?? null;
            $carries = $item->dangers->carries ?? '';
            if ('' !== $carries && null !== $item && !isset($rig->held[$carries])) {
                yield Finding::stop(
                    'weight-unsupported', $step->id,
                    sprintf('The %s carries the %s, and nothing holds it here.', $item->name, $item->dangers->carries),
                    sprintf('Support the %s before this step.', $item->dangers->carries),
                );
            }
        }
    }
}
