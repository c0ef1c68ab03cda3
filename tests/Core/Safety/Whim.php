<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Safety;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A rule that nobody would ship: it stands in no list, and is added while the program runs. */
final readonly class Whim implements Rule
{
    public const SAID = 'Nothing is undone with the battery on, says this workshop.';

    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Undo === $step->deed || StepKind::Remove === $step->deed) {
            yield Row::never('whim', Term::ask(Atom::Battery), self::SAID, $step->id);
        }
    }
}
