<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\InvalidEvent;

/**
 * The law of the bench: whether an event can be, as the fit stands and by whose hand it comes. Every kind of event has its
 * rule; there is none that lets through.
 */
final readonly class Law
{
    /** How far a tablet's clock may be ahead. */
    private const AHEAD = '+10 minutes';

    public function __construct(private Fit $fit, private Hand $hand, private \DateTimeImmutable $now)
    {
    }

    /** @throws InvalidEvent naming what stands against it and what to do */
    public function ensure(FitEvent $event): void
    {
        $event->at <= $this->now->modify(self::AHEAD) || throw InvalidEvent::in('at', 'The clock of this tablet is ahead: set it right.');
        $this->ensureOpen($event);
        $this->ensureStep($event);
        (new Reasons($this->fit->state->lastReason))->ensure($event);
        match ($event->type) {
            EventType::StepStarted, EventType::StepDone, EventType::StepSkipped, EventType::StepReopened,
            EventType::CautionAcknowledged => (new StepLaw($this->fit, $this->hand))->ensure($event),
            EventType::Counted, EventType::CountedAll, EventType::Broke, EventType::Replaced, EventType::Dropped,
            EventType::Found => (new PieceLaw($this->fit))->ensure($event),
            EventType::PutIn, EventType::TakenOut, EventType::ToolCounted => (new InsideLaw($this->fit))->ensure($event),
            EventType::FastenerMarked => (new FastenerLaw($this->fit))->ensure($event),
            EventType::Measured, EventType::StageBegun => (new ReadingLaw($this->fit, $this->hand))->ensure($event),
            EventType::CurveJudged, EventType::SumPinned => $this->ensureWorkedOutHere(),
            EventType::Mishap => $this->ensureMishap($event),
            EventType::TrialKept => (new TrialLaw($this->fit))->ensure($event),
            EventType::PartJudged => (new RenewLaw($this->fit, $this->hand))->ensure($event),
            EventType::StopSeen => $this->ensureStop($event),
            EventType::PhotoTaken, EventType::PhotoMarked => (new PhotoLaw($this->fit))->ensure($event),
            EventType::Noted => null,
            EventType::Waived, EventType::FollowUpClosed, EventType::Undone, EventType::Stopped, EventType::TakenUp,
            EventType::Signed => (new EndLaw($this->fit, $this->hand))->ensure($event),
        };
    }

    private function ensureOpen(FitEvent $event): void
    {
        if (null !== $this->fit->state->signed && !in_array($event->type, [EventType::FollowUpClosed, EventType::Noted], true)) {
            throw InvalidEvent::in('fit', 'This fit is signed off; only notes and due checks can be added.');
        }
        $stopped = $this->fit->state->stopped;
        if (null !== $stopped && !in_array($event->type, [EventType::TakenUp, EventType::FollowUpClosed, EventType::Noted], true)) {
            $said = str_replace('-', ' ', $stopped->string('kind'));
            throw InvalidEvent::in('fit', sprintf('This fit is %s: take it up again first.', $said));
        }
    }

    private function ensureStep(FitEvent $event): void
    {
        $id = $event->string('step');
        '' === $id || null !== $this->fit->sheet->step($id) || throw InvalidEvent::in('step', 'There is no such step on this sheet.');
    }

    /** The server keeps it together with the steps that mend it. */
    private function ensureMishap(FitEvent $event): void
    {
        $this->ensureWorkedOutHere();
        '' !== $event->string('what') || throw InvalidEvent::in('what', 'Say what it happened to.');
        (new PieceLaw($this->fit))->ensure($event);
    }

    private function ensureWorkedOutHere(): void
    {
        Hand::Server === $this->hand || throw InvalidEvent::in(
            'type', 'That is worked out by the workshop’s server from what it holds; it cannot be sent.',
        );
    }

    private function ensureStop(FitEvent $event): void
    {
        $stop = $this->fit->state->engineStop();
        $stop?->string('reading') === $event->string('reading') || throw InvalidEvent::in(
            'reading', 'That curve does not ask for the engine to be stopped.',
        );
    }
}
