<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** The engine runs, or is looked over for leaks, while work that stands before it is open. */
final readonly class EarlierWork implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $asksForAll = Nature::runsEngine($step) || Deed::Leaks === $step->deed;
        foreach ($asksForAll ? $ground->earlier($step) : [] as $earlier) {
            if (Nature::isWork($earlier)) {
                yield Row::reason(
                    'earlier-work', Term::not(Term::ask(Atom::Closed, $earlier->id)),
                    sprintf('“%s” is not done.', $earlier->words->title), $earlier->id,
                );
            }
        }
    }
}
