<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A reading that guards this step is missing or outside its limits, and no lead has overruled it. */
final readonly class SafetyReading implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        foreach ($ground->earlier($step) as $guard) {
            foreach ($guard->asking->asks as $ask) {
                foreach ($ask->guards as $what) {
                    if (Nature::isGuardedBy($ground, $step, $what)) {
                        yield from self::stands($guard, $ask, $what->label());
                    }
                }
            }
        }
    }

    /** @return iterable<Row> */
    private static function stands(Step $guard, Ask $ask, string $what): iterable
    {
        $of = [$guard->id, $ask->field];
        $stands = Term::not(Term::ask(Atom::Overruled, $guard->id));
        $read = Term::ask(Atom::Read, ...$of);
        yield Row::lead(
            'safety-reading', Term::all($stands, Term::not($read), Term::not(Term::ask(Atom::Rivals, ...$of))),
            sprintf('%s has not been read. It stands before %s.', $ask->label, $what), $guard->id,
        );
        yield Row::lead('two-readings', Term::all($stands, Term::ask(Atom::Rivals, ...$of)), sprintf(
            '%s was read on two tablets, and they do not agree. It stands before %s.', $ask->label, $what,
        ), $guard->id);
        yield Row::lead(
            'safety-reading',
            Term::all($stands, $read, Term::any(Term::ask(Atom::Outside, ...$of), Term::ask(Atom::Doubtful, ...$of))),
            Term::say(
                '%s reads %s, outside its limits. It stands before %s.', $ask->label, Term::ask(Atom::Written, ...$of), $what,
            ),
            $guard->id,
        );
    }
}
