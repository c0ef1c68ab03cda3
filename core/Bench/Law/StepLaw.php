<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** When a step may be set going, closed, skipped or opened again. */
final readonly class StepLaw
{
    /** @return list<Refusal> */
    public static function refusals(EventType $type): array
    {
        $step = Term::ask(Atom::Given, 'step');
        $named = Refusal::in('step', Term::not(Term::ask(Atom::IsStep, $step)), 'Say which step.');
        $closed = Refusal::in('step', Term::ask(Atom::Closed, $step), Term::say(
            '%s closed this step at %s.', Term::ask(Atom::ClosedBy, $step), Term::ask(Atom::ClosedAt, $step),
        ));

        return match ($type) {
            EventType::StepStarted => [
                $named, $closed,
                Refusal::in('step', Term::not(Term::ask(Atom::Passive, $step)), 'This step does not run by itself.'),
                Refusal::in('step', Term::ask(Atom::Started, $step), 'It is running already.'),
                Refusal::unlessMay(Refusal::BEGIN),
            ],
            EventType::StepDone => [$named, $closed, Refusal::unlessMay(Refusal::CLOSE)],
            EventType::StepSkipped => [$named, $closed, Refusal::in(
                'step', Term::all(Term::ask(Atom::Protects, $step), Term::not(Term::ask(Atom::Lead))),
                Term::say('Others rely on “%s”. Only a lead skips it.', Term::ask(Atom::Title, $step)),
            )],
            EventType::StepReopened => [
                $named, Refusal::in('step', Term::not(Term::ask(Atom::Closed, $step)), 'This step is open already.'),
            ],
            default => [$named, Refusal::in(
                'caution', Term::not(Term::ask(Atom::HasCaution, $step, Term::ask(Atom::Given, 'caution'))),
                'There is no such caution at this step.',
            )],
        };
    }
}
