<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The picture that proves the step has not been taken. */
final readonly class PictureTaken implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (PictureRequest::Proof === $step->asking->shot) {
            yield Row::reason(
                'no-picture', Term::not(Term::ask(Atom::Pictured, $step->id, PictureRequest::Proof->value)),
                'A picture proves this step: take it.', $step->id,
            );
        }
    }
}
