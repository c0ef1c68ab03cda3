<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The engine runs, or is looked over for leaks, while work that stands before it is open. */
final readonly class EarlierWork implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $asksForAll = Nature::runsEngine($step) || StepKind::Leaks === $step->deed;
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
