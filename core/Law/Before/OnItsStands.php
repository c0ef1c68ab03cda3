<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The vehicle is not where the step needs it: under it without stands, driven on them, level read in the air. */
final readonly class OnItsStands implements Rule
{
    private const LEVEL = [StepKind::Drain, StepKind::Fill, StepKind::Bleed];

    public function rows(Ground $ground, Step $step): iterable
    {
        [$raised, $stands] = [Term::ask(Atom::Raised), Term::ask(Atom::StandsOn)];
        if (Nature::isUnder($step)) {
            yield Row::lead(
                'no-stands', Term::not($raised), 'This is under the vehicle, and the vehicle is on the floor.',
                self::there($ground, $step, StepKind::Raise),
            );
        }
        if (Position::WheelOff === $step->slot->position) {
            yield Row::lead(
                'wheel-on-ramps', Term::same(Term::ask(Atom::Stance), Stance::Ramps->value), 'On ramps no wheel comes off.', $step->id,
            );
        }
        if (in_array($step->deed, self::LEVEL, true)) {
            yield Row::reason(
                'on-a-slope', Term::same(Term::ask(Atom::Stance), Stance::Ramps->value),
                'On ramps it stands on a slope: what is drained, filled or read there does not count.', $step->id,
            );
        }
        if (StepKind::Drive === $step->deed) {
            yield Row::lead(
                'driven-on-stands', $raised, Term::say('It is driven here, and the vehicle is still %s.', $stands),
                self::there($ground, $step, StepKind::Lower),
            );
        } elseif (Position::Ground === $step->slot->position) {
            yield Row::reason(
                'not-level', $raised, Term::say('This is done on the floor, and the vehicle is %s.', $stands),
                self::there($ground, $step, StepKind::Lower),
            );
        }
    }

    /** The step that moves it; where that one is closed it is said where it stands now, at the step itself. */
    private static function there(Ground $ground, Step $step, StepKind $deed): Term
    {
        $move = $ground->nearest($step, $deed)->id;
        $isClosed = Term::ask(Atom::Closed, $move);

        return Term::names('', [$move => Term::not($isClosed)] + ($move === $step->id ? [] : [$step->id => $isClosed]));
    }
}
