<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;

/** When a step may be set going, closed, skipped or opened again. */
final readonly class StepLaw
{
    public function __construct(private Fit $fit, private Hand $hand)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        $step = $this->fit->sheet->step($event->string('step')) ?? throw InvalidEvent::in('step', 'Say which step.');
        match ($event->type) {
            EventType::StepStarted => $this->ensureStart($step, $event),
            EventType::StepDone => $this->ensureDone($step, $event),
            EventType::StepSkipped => $this->ensureSkip($step),
            EventType::StepReopened => $this->fit->state->isClosed($step->id)
                || throw InvalidEvent::in('step', 'This step is open already.'),
            default => isset($step->words->cautions[$event->int('caution')]) || throw InvalidEvent::in(
                'caution', 'There is no such caution at this step.',
            ),
        };
    }

    private function ensureStart(Step $step, FitEvent $event): void
    {
        $this->ensureNotClosed($step);
        $step->slot->passive || throw InvalidEvent::in('step', 'This step does not run by itself.');
        $this->fit->state->isStarted($step->id) && throw InvalidEvent::in('step', 'It is running already.');
        $this->pass($this->fit->gate()->before($step), $event);
    }

    private function ensureDone(Step $step, FitEvent $event): void
    {
        $this->ensureNotClosed($step);
        $this->pass($this->fit->gate()->of($step), $event);
    }

    private function ensureSkip(Step $step): void
    {
        $this->ensureNotClosed($step);
        Nature::protects($step) && !$this->hand->isLead() && throw InvalidEvent::in(
            'step', sprintf('Others rely on “%s”. Only a lead skips it.', $step->words->title),
        );
    }

    private function ensureNotClosed(Step $step): void
    {
        $closed = $this->fit->state->done[$step->id] ?? $this->fit->state->skipped[$step->id] ?? null;
        null === $closed || throw InvalidEvent::in(
            'step', sprintf('%s closed this step at %s.', $closed->said(), $closed->at->format('H:i')),
        );
    }

    /**
     * @param list<Obstacle> $obstacles the hardest first
     *
     * @throws InvalidEvent
     */
    private function pass(array $obstacles, FitEvent $event): void
    {
        $hard = array_values(array_filter($obstacles, static fn (Obstacle $one): bool => Bar::Note !== $one->bar));
        $passed = match (Gate::bar($hard)) {
            Bar::Note => true,
            Bar::Reason => $event->hasReason(),
            Bar::Lead => $event->hasReason() && $this->hand->isLead(),
            Bar::Never => false,
        };
        $passed || throw InvalidEvent::dueToObstacles($hard, $this->hand->isLead());
    }
}
