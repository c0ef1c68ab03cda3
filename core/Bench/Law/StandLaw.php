<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** What can be said of where the vehicle stands; that it was moved there is held back where that is not safe. */
final readonly class StandLaw
{
    /** Letters of a place, so that it fits where it is shown. */
    private const LONGEST = 40;

    /** @return list<Refusal> */
    public static function refusals(): array
    {
        [$stance, $wheels, $rolls] = array_map(
            static fn (string $field): Term => Term::ask(Atom::Given, $field), ['stance', 'wheels_off', 'rolls'],
        );
        $known = array_map(static fn (Stance $one): Term => Term::same($stance, $one->value), Stance::real());
        $onWheels = Term::any(Term::same($stance, Stance::Floor->value), Term::same($stance, Stance::Ramps->value));

        return [
            Refusal::in('stance', Term::not(Term::any(...$known)), 'Say floor, stands, ramps or lift.'),
            Refusal::in('wheels_off', Term::not(Term::ask(Atom::IsCorners, $wheels)), 'Say which wheels: fl, fr, rl, rr.'),
            Refusal::in(
                'wheels_off', Term::all(Term::not(Term::same($wheels, '')), $onWheels), 'With a wheel off it stands on stands or a lift.',
            ),
            Refusal::in(
                'place', Term::less(self::LONGEST, Term::ask(Atom::Length, Term::ask(Atom::Given, 'place'))),
                sprintf('Say the place in %d letters.', self::LONGEST),
            ),
            Refusal::in(
                'rolls', Term::all(Term::same($rolls, 1), Term::not(Term::same($stance, Stance::Floor->value))),
                'It rolls on its wheels, on the floor.',
            ),
            Refusal::unlessMay(Refusal::MOVE),
        ];
    }
}
