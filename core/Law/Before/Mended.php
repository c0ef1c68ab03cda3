<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * A mishap is not mended: the step it happened at waits for that, and so does what goes back on at the same place, is
 * tightened there, or runs the engine.
 */
final readonly class Mended implements Rule
{
    public const CODE = 'mishap';
    /** What the facts list of each: event, step, item, joint, what happened, the step that mends it next, its title. */
    private const EVENT = 0;
    private const STEP = 1;
    private const ITEM = 2;
    private const JOINT = 3;
    private const HAPPENED = 4;
    private const MEND = 5;
    private const TITLE = 6;

    public function rows(Ground $ground, Step $step): iterable
    {
        yield Row::reason(
            self::CODE, Term::all(
                Term::not(Term::same(Term::it(self::EVENT), Repair::eventOf($step))), self::isTouched($ground, $step),
            ),
            Term::say('Not mended. %s. Next: “%s”.', Term::it(self::HAPPENED), Term::it(self::TITLE)), Term::it(self::MEND),
        )->overEach(Term::ask(Atom::Mishaps));
    }

    private static function isTouched(Ground $ground, Step $step): Term
    {
        if (Nature::runsEngine($step)) {
            return Term::always();
        }
        $touched = [Term::same(Term::it(self::STEP), $step->id)];
        if (in_array($step->deed, [StepKind::Refit, StepKind::Install, StepKind::Tighten], true)) {
            foreach ([self::ITEM => $step->itemOn($ground->vehicle), self::JOINT => $step->target->joint] as $part => $mine) {
                '' === $mine || $touched[] = Term::same(Term::it($part), $mine);
            }
        }

        return Term::any(...$touched);
    }
}
