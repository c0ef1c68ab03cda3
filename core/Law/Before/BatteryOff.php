<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** Something fed by the battery comes off while the battery is connected. */
final readonly class BatteryOff implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $item = $ground->vehicle->items[$step->target->item] ?? null;
        if (StepKind::Remove === $step->deed && null !== $item && in_array('battery', $item->dangers->hazards, true)) {
            yield Row::lead(
                'battery-live', Term::ask(Atom::Battery),
                sprintf('The %s is fed by the battery, and the battery is still connected.', $item->name),
                $ground->nearest($step, StepKind::BatteryOff)->id,
            );
        }
    }
}
