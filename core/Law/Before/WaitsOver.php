<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A wait that this step needs to be over is open or running. */
final readonly class WaitsOver implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        foreach ($ground->waiting() as $wait) {
            if ($wait->slot->until === $step->id) {
                yield Row::reason(
                    'wait-open', Term::not(Term::ask(Atom::Closed, $wait->id)),
                    sprintf('“%s” is not finished.', $wait->words->title), $wait->id,
                );
            }
        }
    }
}
