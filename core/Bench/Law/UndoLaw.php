<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** What was marked can be taken back once, by another mark. */
final readonly class UndoLaw
{
    /** @return list<Refusal> */
    public static function refusals(): array
    {
        $event = Term::ask(Atom::Given, 'event');

        return [
            Refusal::in('event', Term::not(Term::ask(Atom::IsEvent, $event)), 'There is nothing like that to take back.'),
            Refusal::in('event', Term::not(Term::ask(Atom::MayUndo, $event)), 'That can no longer be taken back.'),
            Refusal::in(
                'event', Term::all(Term::ask(Atom::IsMishap, $event), Term::not(Term::ask(Atom::Server))),
                'A mishap put steps on the sheet. Withdraw it on the page of loose ends.',
            ),
            Refusal::in('event', Term::ask(Atom::BookedDone, $event), 'That check was booked and has been done already.'),
        ];
    }
}
