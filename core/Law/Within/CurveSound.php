<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The last curve of the step says stop. */
final readonly class CurveSound implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $kind = CurveKind::tryFrom($step->asking->sum);
        if (null === $kind) {
            return;
        }
        yield Row::reason(
            'curve', Term::same(Term::ask(Atom::Verdict, $step->id), 'stop'),
            Term::say('The curve says %s: %s', Term::ask(Atom::Finding, $step->id), $kind->mend()), $step->id,
        );
    }
}
