<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** What goes in for a while has not been counted in. */
final readonly class PutInCounted implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        foreach ($step->needs->puts as $put) {
            $of = [$step->id, $put->thing];
            yield Row::reason(
                'not-put-in', Term::not(Term::any(Term::ask(Atom::Inside, ...$of), Term::ask(Atom::WasInside, ...$of))),
                sprintf('Mark that the %s is in.', $put->thing), $step->id,
            );
        }
    }
}
