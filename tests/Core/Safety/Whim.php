<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Safety;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** A rule that nobody would ship: it stands in no list, and is added while the program runs. */
final readonly class Whim implements Rule
{
    public const SAID = 'Nothing is undone with the battery on, says this workshop.';

    public function rows(Ground $ground, Step $step): iterable
    {
        if (Deed::Undo === $step->deed || Deed::Remove === $step->deed) {
            yield Row::never('whim', Term::ask(Atom::Battery), self::SAID, $step->id);
        }
    }
}
