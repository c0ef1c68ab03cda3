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

/** Fasteners were pulled out of order or out of pass, and that pass has not been done again. */
final readonly class PassesInOrder implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (Deed::Tighten === $step->deed && isset($ground->vehicle->joints[$step->target->joint])) {
            yield Row::reason('pass-order', Term::always(), Term::say('%s Do that pass again.', Term::it(0)), $step->id)
                ->overEach(Term::ask(Atom::Faults, $step->target->joint));
        }
    }
}
