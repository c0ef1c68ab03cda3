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

/** What came off, fell, broke, is new and went back does not add up. */
final readonly class PiecesAddUp implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        foreach ($step->needs->tray as $line) {
            $of = [$step->id, $line->thing];
            if (StepKind::Remove === $step->deed) {
                yield Row::reason('tray-count', Term::not(Term::ask(Atom::AllOff, ...$of)), Term::say(
                    '%s: %s of %s accounted for. Count them, or say what fell or broke.', ucfirst($line->thing),
                    Term::ask(Atom::CameOff, ...$of), $line->count,
                ), $step->id);
            } elseif (StepKind::Refit === $step->deed) {
                yield Row::reason('tray-count', Term::not(Term::ask(Atom::AllBack, ...$of)), Term::say(
                    '%s: %s.', ucfirst($line->thing), Term::ask(Atom::PiecesSaid, ...$of),
                ), $step->id);
            }
        }
    }
}
