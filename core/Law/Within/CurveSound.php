<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The last curve of the step says stop. */
final readonly class CurveSound implements Rule
{
    /** The sum of a step that is pressed. */
    private const PRESSED = 'press-fit';

    public function rows(Ground $ground, Step $step): iterable
    {
        if ('' === $step->asking->sum) {
            return;
        }
        $mend = match ($step->asking->sum) {
            self::PRESSED => 'draw it off, look, measure, press it once more.',
            'leak-decay' => 'let it down, find it, mend it, test it once more.',
            'actuator-test' => 'put it right, or another one, and pump it up once more.',
            'boost-run' => 'find why, put it right, then a gentler run.',
            default => 'let it cool, put it right, warm it up once more.',
        };
        yield Row::reason(
            'curve', Term::same(Term::ask(Atom::Verdict, $step->id), 'stop'),
            Term::say('The curve says %s: %s', Term::ask(Atom::Finding, $step->id), $mend), $step->id,
        );
    }
}
