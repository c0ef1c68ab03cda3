<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** Something put in on purpose is still in, and this step would shut it in or be stopped by it. */
final readonly class InTheWayOut implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        foreach ($ground->putting() as $put) {
            foreach ($put->needs->puts as $one) {
                if ($one->outBefore === $step->id) {
                    yield Row::reason(
                        'still-in', Term::ask(Atom::Inside, $put->id, $one->thing),
                        sprintf('The %s is still in. Take it out first.', $one->thing), $step->id,
                    );
                }
            }
        }
    }
}
