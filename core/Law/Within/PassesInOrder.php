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

/** Fasteners were pulled out of order or out of pass, and that pass has not been done again. */
final readonly class PassesInOrder implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Tighten === $step->deed && isset($ground->vehicle->joints[$step->target->joint])) {
            yield Row::reason('pass-order', Term::always(), Term::say('%s Do that pass again.', Term::it(0)), $step->id)
                ->overEach(Term::ask(Atom::Faults, $step->target->joint));
        }
    }
}
