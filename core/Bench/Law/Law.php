<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Safety\Refusal;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * The law of the bench: whether an event can be, as the fit stands and by whose hand it comes. Every kind of event has its
 * refusals; there is none that lets through. A tablet evaluates the same.
 */
final readonly class Law
{
    public function __construct(private Fit $fit, private Authority $hand, private \DateTimeImmutable $now)
    {
    }

    /** @throws InvalidEvent naming what stands against it and what to do */
    public function ensure(FitEvent $event): void
    {
        $facts = new EventFacts($this->fit, $event, $this->hand, $this->now);
        foreach (Refusals::of($event->type) as $refusal) {
            if ('' !== $refusal->gate) {
                $this->pass($refusal->gate, $event, $facts);
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

    /** @return list<Obstacle> */
    private function standing(string $gate, ?Step $step, EventFacts $facts): array
    {
        return match (true) {
            Refusal::MOVE === $gate => Gate::moving($this->fit, $facts),
            null === $step => [],
            Refusal::CLOSE === $gate => Gate::at($this->fit)->of($step),
            default => Gate::at($this->fit)->before($step),
        };
    }

    /** @throws InvalidEvent where what stands in the way of a step is not passed with the reason, or by the lead, that it needs */
    private function pass(string $gate, FitEvent $event, EventFacts $facts): void
    {
        $obstacles = $this->standing($gate, $this->fit->sheet->step($event->step()), $facts);
        $hard = array_values(array_filter($obstacles, static fn (Obstacle $one): bool => match ($gate) {
            Refusal::LEAD => Bar::Lead === $one->bar,
            default => Bar::Note !== $one->bar,
        }));
        $passed = match (Obstacle::hardest($hard)) {
            Bar::Note => true,
            Bar::Reason => $event->hasReason(),
            Bar::Lead => $event->hasReason() && $this->hand->may(BenchRight::Overrule),
            Bar::Never => false,
        };
        $passed || throw InvalidEvent::dueToObstacles($hard, $this->hand->may(BenchRight::Overrule));
    }
}
