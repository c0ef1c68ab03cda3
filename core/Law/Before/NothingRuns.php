<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** Nothing is raised, lowered or moved while a drain or a fill flows or the engine runs. */
final readonly class NothingRuns implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (!Nature::moves($step)) {
            return;
        }
        foreach (self::running($ground) as [$one, $runs]) {
            yield Row::lead(
                'moves-while-it-runs', Term::all(Nature::movesNow($step), $runs), sprintf('“%s” still runs.', $one->words->title), $one->id,
            );
        }
    }

    /** @return iterable<array{Step, Term}> a step at which something flows or turns, and when it does */
    public static function running(Ground $ground): iterable
    {
        foreach ($ground->sheet->steps as $one) {
            $begun = match (true) {
                Nature::streams($one) => Term::ask(Atom::Started, $one->id),
                '' !== $one->asking->routine => Term::ask(Atom::RoutineBegun, $one->id),
                default => null,
            };
            if (null !== $begun) {
                yield [$one, Term::all($begun, Term::not(Term::ask(Atom::Closed, $one->id)))];
            }
        }
    }
}
