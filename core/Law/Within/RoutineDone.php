<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The fill routine is not at its end. */
final readonly class RoutineDone implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (null === FillRoutine::named($step->asking->routine)) {
            return;
        }
        $begun = Term::ask(Atom::RoutineBegun, $step->id);
        yield Row::reason('routine', Term::not($begun), 'The routine is not begun.', $step->id);
        yield Row::reason(
            'routine', Term::all($begun, Term::not(Term::ask(Atom::RoutineDone, $step->id))),
            Term::say('The routine is at “%s”.', Term::ask(Atom::Stage, $step->id)), $step->id,
        );
    }
}
