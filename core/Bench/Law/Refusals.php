<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Safety\Term;

/** What can stand against a mark, by its kind, in the order it is asked. There is no other list: the server and a tablet go by it. */
final class Refusals
{
    /** @var array<string, list<Refusal>> */
    private static array $known = [];

    /** @return list<Refusal> */
    public static function of(EventType $type): array
    {
        return self::$known[$type->value] ??= [...AnyLaw::refusals($type), ...self::own($type)];
    }

    /** @return list<Refusal> */
    private static function own(EventType $type): array
    {
        return match ($type) {
            EventType::StepStarted, EventType::StepDone, EventType::StepSkipped, EventType::StepReopened,
            EventType::CautionAcknowledged => StepLaw::refusals($type),
            EventType::Counted, EventType::CountedAll, EventType::Broke, EventType::Replaced, EventType::Settled,
            EventType::Dropped,
            EventType::Found => PieceLaw::refusals($type),
            EventType::PutIn, EventType::TakenOut, EventType::ToolCounted => InsideLaw::refusals($type),
            EventType::FastenerMarked => FastenerLaw::refusals(),
            EventType::Measured, EventType::Chosen, EventType::StageBegun => ReadingLaw::refusals($type),
            EventType::CurveJudged, EventType::SumPinned => [self::workedOut()],
            EventType::Mishap => [self::workedOut(), ...PieceLaw::refusals($type)],
            EventType::StopSeen => [self::stopSeen()],
            EventType::PhotoTaken, EventType::PhotoMarked => PhotoLaw::refusals($type),
            EventType::Undone => UndoLaw::refusals(),
            EventType::Stood => StandLaw::refusals(),
            EventType::Noted => [],
            EventType::TrialKept, EventType::PartJudged, EventType::Waived, EventType::FollowUpClosed, EventType::Stopped,
            EventType::TakenUp, EventType::Signed => [
                Refusal::needsServer(sprintf('“%s” is judged by the server: do it once it is back.', ucfirst($type->label()))),
            ],
        };
    }

    private static function workedOut(): Refusal
    {
        return Refusal::in(
            'type', Term::not(Term::ask(Atom::Server)),
            'That is worked out by the workshop’s server from what it holds; it cannot be sent.',
        );
    }

    private static function stopSeen(): Refusal
    {
        [$stop, $seen] = [Term::ask(Atom::EngineStop), Term::ask(Atom::Given, 'reading')];

        return Refusal::in(
            'reading', Term::any(Term::same($stop, ''), Term::not(Term::same($stop, $seen))),
            'That curve does not ask for the engine to be stopped.',
        );
    }
}
