<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Within;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** A compound has not had its time. */
final readonly class CureOver implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (Deed::Wait === $step->deed && $step->slot->passive) {
            $left = Term::ask(Atom::WaitLeft, $step->id);
            yield Row::reason('cure', Term::less(0, $left), Term::say(
                'It has not had its time: about %s min to go.', Term::up($left),
            ), $step->id);
        }
    }
}
