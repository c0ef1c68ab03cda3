<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Nature;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The vehicle is not where the step needs it: under it without stands, driven on them, level read in the air. */
final readonly class OnItsStands implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $raised = $fit->actual()->raised;
        if (Nature::isUnder($step) && !$raised) {
            yield Obstacle::lead(
                'no-stands', 'This is under the vehicle, and the vehicle is not on its stands.',
                $fit->nearest($step, Deed::Raise)->id,
            );
        }
        if (Deed::Drive === $step->deed && $raised) {
            yield Obstacle::lead('drive-raised', 'The vehicle is still on its stands.', $fit->nearest($step, Deed::Lower)->id);
        } elseif (Position::Ground === $step->slot->position && $raised) {
            yield Obstacle::reason(
                'not-level', 'This is done on the floor, and the vehicle is on its stands.', $fit->nearest($step, Deed::Lower)->id,
            );
        }
    }
}
