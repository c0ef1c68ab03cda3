<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** The vehicle is not where the step needs it: under it without stands, driven on them, level read in the air. */
final readonly class OnItsStands implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $raised = Term::ask(Atom::Raised);
        if (Nature::isUnder($step)) {
            yield Row::lead(
                'no-stands', Term::not($raised), 'This is under the vehicle, and the vehicle is not on its stands.',
                $ground->nearest($step, Deed::Raise)->id,
            );
        }
        if (Deed::Drive === $step->deed) {
            yield Row::lead(
                'driven-on-stands', $raised, 'It is driven here, and the vehicle is still on its stands.',
                $ground->nearest($step, Deed::Lower)->id,
            );
        } elseif (Position::Ground === $step->slot->position) {
            yield Row::reason(
                'not-level', $raised, 'This is done on the floor, and the vehicle is on its stands.',
                $ground->nearest($step, Deed::Lower)->id,
            );
        }
    }
}
