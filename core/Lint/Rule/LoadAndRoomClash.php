<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A joint is to be tightened under load and while there is room at once: load-and-room. */
final readonly class LoadAndRoomClash implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint && in_array('loaded', $joint->going->when, true) && in_array('room', $joint->going->when, true)) {
                yield Finding::stop(
                    'load-and-room', $step->id,
                    sprintf('The %s are said to need the weight on and the room that goes with it.', $joint->name),
                    'Ask the maker’s service information which it is, and correct the vehicle sheet.',
                );
            }
        }
    }
}
