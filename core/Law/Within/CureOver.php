<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A compound has not had its time. */
final readonly class CureOver implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Wait === $step->deed && $step->slot->passive) {
            $left = Term::ask(Atom::WaitLeft, $step->id);
            yield Row::reason('cure', Term::less(0, $left), Term::say(
                'It has not had its time: about %s min to go.', Term::up($left),
            ), $step->id);
        }
    }
}
