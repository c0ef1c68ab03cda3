<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A reading is missing or outside its limits, or read off a picture too near them. One that guards something only a lead passes. */
final readonly class ReadingsTaken implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        foreach ($step->asking->asks as $ask) {
            $of = [$step->id, $ask->field];
            $read = Term::ask(Atom::Read, ...$of);
            $asked = sprintf([] === $ask->limits->choices ? 'Measure: %s.' : 'Say: %s.', lcfirst($ask->label));
            $rivals = Term::ask(Atom::Rivals, ...$of);
            yield self::row($ask, 'reading-missing', Term::all(Term::not($read), Term::not($rivals)), $asked, $step);
            yield self::row($ask, 'two-readings', $rivals, sprintf(
                '%s was read on two tablets, and they do not agree. Say which is so, or measure again.', $ask->label,
            ), $step);
            yield self::row($ask, 'reading-outside', Term::all($read, Term::ask(Atom::Outside, ...$of)), Term::say(
                trim(sprintf('%s: %%s. %s', str_replace('%', '%%', $ask->label), str_replace('%', '%%', $ask->past))),
                Term::ask(Atom::Written, ...$of),
            ), $step);
            yield self::row($ask, 'reading-doubtful', Term::all($read, Term::ask(Atom::Doubtful, ...$of)), Term::say(
                '%s: %s, off a picture, give or take %s. It may lie outside: measure it with a tool.', $ask->label,
                Term::ask(Atom::Written, ...$of), Term::ask(Atom::Doubt, ...$of),
            ), $step);
        }
    }

    private static function row(Ask $ask, string $code, Term $when, Term|string $text, Step $step): Row
    {
        return $ask->isSafety() ? Row::lead($code, $when, $text, $step->id) : Row::reason($code, $when, $text, $step->id);
    }
}
