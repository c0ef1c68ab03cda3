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

/** Fasteners are short of their final mark. */
final readonly class FastenersFinal implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $joint = $ground->vehicle->joints[$step->target->joint] ?? null;
        if (StepKind::Tighten === $step->deed && null !== $joint) {
            $left = Term::ask(Atom::Left, $joint->id);
            yield Row::reason('fasteners', Term::less(0, $left), Term::say(
                '%s of %s fasteners are not at their final mark.', $left, $joint->count(),
            ), $step->id);
        }
    }
}
