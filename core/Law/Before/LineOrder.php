<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** Something earlier in the line is open. That is noted and stops nobody. */
final readonly class LineOrder implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $first = Term::ask(Atom::FirstOpen, $step->id);
        yield Row::noted(
            'line-order', Term::not(Term::same($first, '')),
            Term::say('“%s” comes before it in the line.', Term::ask(Atom::Title, $first)), $first,
        );
    }
}
