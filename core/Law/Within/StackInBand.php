<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A slip clutch that was not tried, or whose last trial lies outside its band. */
final readonly class StackInBand implements Rule
{
    private const ASK = 'The server works out what the trials come to: close this step once it is back.';

    public function rows(Ground $ground, Step $step): iterable
    {
        if (!Nature::triesClutch($step)) {
            return;
        }
        $tried = Term::ask(Atom::Tried, $step->id);
        yield Row::reason('not-tried', Term::not($tried), 'No trial is kept yet.', $step->id)->atServer(self::ASK);
        yield Row::reason(
            'outside-band', Term::all($tried, Term::not(Term::ask(Atom::InBand, $step->id))), Term::ask(Atom::Trial, $step->id), $step->id,
        )->atServer(self::ASK);
    }
}
