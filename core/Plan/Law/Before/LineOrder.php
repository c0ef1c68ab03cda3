<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

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
