<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** What may be read, and how a routine goes on: stage by stage, a timed one not before its time unless a reason stands. */
final readonly class ReadingLaw
{
    /** @return list<Refusal> */
    public static function refusals(EventType $type): array
    {
        $step = Term::ask(Atom::Given, 'step');
        $named = Refusal::in('step', Term::not(Term::ask(Atom::IsStep, $step)), 'Say at which step.');

        return [$named, ...match ($type) {
            EventType::Measured => self::reading($step),
            EventType::Chosen => [Refusal::in(
                'event', Term::not(Term::ask(Atom::IsRival, $step, Term::ask(Atom::Given, 'field'), Term::ask(Atom::Given, 'event'))),
                'That is none of the readings that do not agree.',
            )],
            default => self::stage($step),
        }];
    }

    /** @return list<Refusal> */
    private static function reading(Term $step): array
    {
        [$field, $photo] = [Term::ask(Atom::Given, 'field'), Term::ask(Atom::Given, 'photo')];
        $isOffPicture = Term::not(Term::same($photo, ''));
        $most = Term::ask(Atom::FlowMost, $step, $field);

        return [
            Refusal::in('field', Term::not(Term::ask(Atom::Asks, $step, $field)), 'This step does not ask for that.'),
            Refusal::in(
                'photo', Term::all($isOffPicture, Term::not(Term::ask(Atom::IsPhoto, $photo))), 'There is no such picture in this fit.',
            ),
            Refusal::in(
                'photo', Term::all($isOffPicture, Term::not(Term::ask(Atom::SeenInPicture, $step, $field))),
                'A picture tells lengths and angles, nothing else. Write down what was measured.',
            ),
            Refusal::in(
                'photo', Term::all($isOffPicture, Term::not(Term::same(Term::ask(Atom::PhotoStep, $photo), $step))),
                'That picture was taken at another step. Take one here.',
            ),
            Refusal::in(
                'doubt', Term::all($isOffPicture, Term::not(Term::less(0, Term::ask(Atom::Given, 'doubt')))),
                'What is read off a picture says by how much it may be wrong.',
            ),
            Refusal::in('text', Term::all(Term::less(0, $most), Term::less($most, Term::ask(Atom::Given, 'value'))), Term::say(
                '%s: %s, and the %s holds %s L. Read it again, or correct the vehicle sheet.', Term::ask(Atom::Label, $step, $field),
                Term::ask(Atom::Given, 'text'), Term::ask(Atom::Circuit, $step), Term::ask(Atom::Capacity, $step),
            )),
        ];
    }

    /** @return list<Refusal> */
    private static function stage(Term $step): array
    {
        $stage = Term::ask(Atom::Given, 'stage');
        $short = Term::ask(Atom::CutShort, $step, $stage);

        return [
            Refusal::in('step', Term::ask(Atom::Closed, $step), 'This step is closed. Open it again first.'),
            Refusal::in('step', Term::not(Term::ask(Atom::HasRoutine, $step)), 'That step has no fill routine.'),
            Refusal::in('stage', Term::not(Term::ask(Atom::HasStage, $step, $stage)), 'There is no such stage in this routine.'),
            Refusal::in(
                'stage', Term::not(Term::ask(Atom::MayBegin, $step, $stage)),
                Term::say('“%s” comes first.', Term::ask(Atom::NextStage, $step)),
            ),
            Refusal::unlessMay(Refusal::LEAD),
            // Going on from a timed stage: it has had its time, by its reading or until now.
            Refusal::in(
                'stage', Term::all(Term::same(Term::ask(Atom::Given, 'reason'), ''), Term::not(Term::same($short, ''))),
                Term::say('“%s” stood %s. Let it stand, or say why not.', Term::ask(Atom::Stage, $step), $short),
            ),
        ];
    }
}
