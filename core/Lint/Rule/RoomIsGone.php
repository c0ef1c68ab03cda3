<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A joint that needs room is tightened after the room is gone: room-is-gone. */
final readonly class RoomIsGone implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Tighten) as [$step, $rig]) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null === $joint || !in_array('room', $joint->going->when, true)) {
                continue;
            }
            $carries = $run->vehicle->items[$joint->item]->dangers->carries ?? '';
            if ('' !== $carries && !isset($rig->held[$carries])) {
                yield Finding::stop(
                    'room-is-gone', $step->id,
                    sprintf('A wrench reaches the %s only while the %s is held clear, and it is down here.', $joint->name, $carries),
                    'Tighten them before the weight goes down.',
                );
            }
        }
    }
}
