<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** Work under the vehicle with no stands: no-stands. */
final readonly class UnderWithoutStands implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->moments as [$step, $rig]) {
            if (!$rig->raised && (Position::Raised === $step->slot->position || Position::WheelOff === $step->slot->position)) {
                yield Finding::stop(
                    'no-stands', $step->id, 'This is done under the vehicle, and it stands on the floor.',
                    'Raise it and set it on stands first.',
                );
            }
        }
    }
}
