<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** What holds for a mark of any kind: clock, fit, step, reason. */
final readonly class AnyLaw
{
    /** What can still be added to a fit that is signed, and to one that was stopped. */
    private const AFTER = [EventType::FollowUpClosed, EventType::Noted];

    /** @return list<Refusal> */
    public static function refusals(EventType $type): array
    {
        $stopped = Term::ask(Atom::StoppedAs);
        $reason = Term::not(Term::same(Term::ask(Atom::Given, 'reason'), ''));
        $step = Term::ask(Atom::Given, 'step');

        return [
            Refusal::in('at', Term::ask(Atom::ClockAhead), 'The clock of this tablet is ahead: set it right.'),
            ...in_array($type, self::AFTER, true) ? [] : [
                Refusal::in('fit', Term::ask(Atom::Signed), 'This fit is signed off; only notes and due checks can be added.'),
            ],
            ...in_array($type, [EventType::TakenUp, ...self::AFTER], true) ? [] : [
                Refusal::in('fit', Term::not(Term::same($stopped, '')), Term::say('This fit is %s: take it up again first.', $stopped)),
            ],
            Refusal::in(
                'step', Term::all(Term::not(Term::same($step, '')), Term::not(Term::ask(Atom::IsStep, $step))),
                'There is no such step on this sheet.',
            ),
            Refusal::in('reason', Term::all($reason, Term::less(Term::ask(Atom::ReasonWords), 2)), 'Say why in two words or more.'),
            Refusal::in('reason', Term::all($reason, Term::ask(Atom::ReasonAgain)), 'That is the last reason again. Say why here.'),
            ...array_map(self::fromServer(...), $type->fieldsOfServer()),
        ];
    }

    private static function fromServer(string $field): Refusal
    {
        return Refusal::in(
            $field, Term::all(Term::ask(Atom::IsGiven, $field), Term::not(Term::ask(Atom::Server))),
            sprintf('The %s of a mark comes with what the wrench sends; it cannot be said by hand.', $field),
        );
    }
}
