<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** What is put in and taken out again, and the count of the tools. */
final readonly class InsideLaw
{
    /** @return list<Refusal> */
    public static function refusals(EventType $type): array
    {
        [$step, $thing] = [Term::ask(Atom::Given, 'step'), Term::ask(Atom::Given, 'thing')];
        $named = Refusal::in('step', Term::not(Term::ask(Atom::IsStep, $step)), 'Say at which step.');
        $isIn = Term::ask(Atom::Inside, $step, $thing);
        $loose = Term::ask(Atom::LooseUnder, $step, $thing);

        return match ($type) {
            EventType::PutIn => [
                $named,
                Refusal::in('thing', $isIn, Term::say('The %s is in already.', $thing)),
                Refusal::in(
                    'thing', Term::all(Term::ask(Atom::ForGood, $step, $thing), Term::ask(Atom::WasInside, $step, $thing)),
                    Term::say('The %s was counted away for good: it must not go back in.', $thing),
                ),
            ],
            EventType::TakenOut => [
                $named,
                Refusal::in('thing', Term::not($isIn), Term::say('No %s was put in.', $thing)),
                // What holds a new part comes out for good: not before that part is bolted.
                Refusal::in('thing', Term::not(Term::same($loose, '')), Term::say(
                    'Tighten the %s first: the %s comes out once it is bolted.', $loose, $thing,
                )),
            ],
            default => [$named, Refusal::in(
                'tool', Term::not(Term::ask(Atom::HasTool, $step, Term::ask(Atom::Given, 'tool'))),
                'That tool is not on the list of this sheet.',
            )],
        };
    }
}
