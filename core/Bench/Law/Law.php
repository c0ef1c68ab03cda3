<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Safety\Refusal;

/**
 * The law of the bench: whether an event can be, as the fit stands and by whose hand it comes. Every kind of event has its
 * refusals; there is none that lets through. A tablet evaluates the same.
 */
final readonly class Law
{
    public function __construct(private Fit $fit, private Hand $hand, private \DateTimeImmutable $now)
    {
    }

    /** @throws InvalidEvent naming what stands against it and what to do */
    public function ensure(FitEvent $event): void
    {
        $facts = new EventFacts($this->fit, $event, $this->hand, $this->now);
        foreach (Refusals::of($event->type) as $refusal) {
            if ('' !== $refusal->gate) {
                $this->pass($refusal->gate, $event);
            }
            $said = $refusal->said($facts);
            null === $said || throw InvalidEvent::in($refusal->field, $said);
        }
        match ($event->type) {
            EventType::Mishap => '' !== $event->as(Mishap::class)->what || throw InvalidEvent::in('what', 'Say what it happened to.'),
            EventType::TrialKept => (new TrialLaw($this->fit))->ensure($event),
            EventType::PartJudged => (new RenewLaw($this->fit, $this->hand))->ensure($event),
            EventType::Waived, EventType::FollowUpClosed, EventType::Stopped, EventType::TakenUp,
            EventType::Signed => (new EndLaw($this->fit, $this->hand))->ensure($event),
            default => null,
        };
    }

    /** @throws InvalidEvent where what stands in the way of a step is not passed with the reason, or by the lead, that it needs */
    private function pass(string $gate, FitEvent $event): void
    {
        $step = $this->fit->sheet->step($event->step());
        $obstacles = null === $step ? [] : match ($gate) {
            Refusal::CLOSE => $this->fit->gate()->of($step),
            default => $this->fit->gate()->before($step),
        };
        $hard = array_values(array_filter($obstacles, static fn (Obstacle $one): bool => match ($gate) {
            Refusal::LEAD => Bar::Lead === $one->bar,
            default => Bar::Note !== $one->bar,
        }));
        $passed = match (Gate::bar($hard)) {
            Bar::Note => true,
            Bar::Reason => $event->hasReason(),
            Bar::Lead => $event->hasReason() && $this->hand->isLead(),
            Bar::Never => false,
        };
        $passed || throw InvalidEvent::dueToObstacles($hard, $this->hand->isLead());
    }
}
