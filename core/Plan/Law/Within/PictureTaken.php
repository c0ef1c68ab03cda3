<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Within;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Shot;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** The picture that proves the step has not been taken. */
final readonly class PictureTaken implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (Shot::Proof === $step->asking->shot) {
            yield Row::reason(
                'no-picture', Term::not(Term::ask(Atom::Pictured, $step->id, Shot::Proof->value)),
                'A picture proves this step: take it.', $step->id,
            );
        }
    }
}
