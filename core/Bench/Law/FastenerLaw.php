<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** A fastener goes up its ladder rung by rung; back down at once. Which one comes first is said, not refused. */
final readonly class FastenerLaw
{
    /** @return list<Refusal> */
    public static function refusals(): array
    {
        [$joint, $bolt, $stage] = [Term::ask(Atom::Given, 'joint'), Term::ask(Atom::Given, 'bolt'), Term::ask(Atom::Given, 'stage')];
        $count = Term::ask(Atom::Fasteners, $joint);
        $now = Term::ask(Atom::BoltStage, $joint, $bolt);
        $next = Term::plus($now, 1);
        $rung = static fn (Term $at): Term => Term::ask(Atom::Rung, $joint, $at);

        return [
            Refusal::in('joint', Term::not(Term::ask(Atom::IsJoint, $joint)), 'There is no such joint on this vehicle.'),
            Refusal::in(
                'bolt', Term::any(Term::less($bolt, 1), Term::less($count, $bolt)), Term::say('This joint has fasteners 1 to %s.', $count),
            ),
            Refusal::in(
                'stage', Term::any(Term::less($stage, 0), Term::less(Term::ask(Atom::LastStage, $joint), $stage)),
                'There is no such pass on this joint.',
            ),
            Refusal::in('stage', Term::less($next, $stage), Term::say(
                'Bolt %s is %s: “%s” comes before “%s”.', $bolt, $rung($now), $rung($next), $rung($stage),
            )),
        ];
    }
}
