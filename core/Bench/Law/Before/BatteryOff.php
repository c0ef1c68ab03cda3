<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Something fed by the battery comes off while the battery is connected. */
final readonly class BatteryOff implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $item = $fit->vehicle->items[$step->target->item] ?? null;
        if (Deed::Remove === $step->deed && null !== $item && in_array(
            'battery', $item->dangers->hazards, true,
        ) && $fit->actual()->battery) {
            yield Obstacle::lead('battery-live', 'The battery is still connected.', $fit->nearest($step, Deed::BatteryOff)->id);
        }
    }
}
