<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** A part fed by the battery is touched with the battery connected: battery-live. */
final readonly class BatteryLive implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Remove) as [$step, $rig]) {
            $item = $run->vehicle->items[$step->target->item] ?? null;
            if (null !== $item && in_array('battery', $item->dangers->hazards, true) && $rig->battery) {
                yield Finding::stop(
                    'battery-live', $step->id,
                    sprintf('The %s is fed by the battery, and the battery is still connected.', $item->name),
                    'Take the battery negative off before this step.',
                );
            }
        }
    }
}
