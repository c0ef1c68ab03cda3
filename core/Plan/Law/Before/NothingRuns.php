<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** Nothing is raised, lowered or moved while a drain or a fill flows or the engine runs. */
final readonly class NothingRuns implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (!Nature::moves($step)) {
            return;
        }
        foreach ($ground->sheet->steps as $one) {
            $begun = match (true) {
                Nature::streams($one) => Term::ask(Atom::Started, $one->id),
                '' !== $one->asking->routine => Term::ask(Atom::RoutineBegun, $one->id),
                default => null,
            };
            if (null !== $begun) {
                yield Row::lead(
                    'moves-while-it-runs', Term::all($begun, Term::not(Term::ask(Atom::Closed, $one->id))),
                    sprintf('“%s” still runs.', $one->words->title), $one->id,
                );
            }
        }
    }
}
