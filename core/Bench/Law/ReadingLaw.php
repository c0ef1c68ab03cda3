<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\FillRun;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Flows;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\Hold;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\Stood;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Flow;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;

/** What may be read, and how a routine goes on: stage by stage, a timed one not before its time unless a reason stands. */
final readonly class ReadingLaw
{
    public function __construct(private Fit $fit, private Hand $hand)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        $step = $this->fit->sheet->step($event->string('step')) ?? throw InvalidEvent::in('step', 'Say at which step.');
        EventType::Measured === $event->type ? $this->ensureReading($step, $event) : $this->ensureStage($step, $event);
    }

    private function ensureReading(Step $step, FitEvent $event): void
    {
        $ask = $this->asked($step, $event->string('field'));
        $photo = $event->string('photo');
        '' === $photo || isset($this->fit->state->photos[$photo]) || throw InvalidEvent::in(
            'photo', 'There is no such picture in this fit.',
        );
        '' === $photo || $event->float('doubt') > 0.0 || throw InvalidEvent::in(
            'doubt', 'What is read off a picture says by how much it may be wrong.',
        );
        $capacity = $this->fit->vehicle->circuits[$step->target->circuit]->capacity ?? 0.0;
        if (Flow::None !== $ask->flow && $capacity > 0.0 && $event->float('value') > Flows::MOST * $capacity) {
            throw InvalidEvent::in(
                'text',
                sprintf(
                    '%s: %s, and the %s holds %s L. Read it again, or correct the vehicle sheet.', $ask->label,
                    $event->string('text'), $this->fit->vehicle->circuits[$step->target->circuit]->name ?? 'circuit', round($capacity, 2),
                ),
            );
        }
    }

    private function ensureLead(Step $step, FitEvent $event): void
    {
        $lead = array_values(array_filter($this->fit->gate()->before($step), static fn (Obstacle $one): bool => Bar::Lead === $one->bar));
        [] === $lead
            || $event->hasReason() && $this->hand->isLead()
            || throw InvalidEvent::dueToObstacles($lead, $this->hand->isLead());
    }

    private function ensureStage(Step $step, FitEvent $event): void
    {
        $this->fit->state->isClosed($step->id) && throw InvalidEvent::in('step', 'This step is closed. Open it again first.');
        $run = $this->fit->routine($step) ?? throw InvalidEvent::in('step', 'That step has no fill routine.');
        $place = $run->routine->place($event->string('stage')) ?? throw InvalidEvent::in(
            'stage', 'There is no such stage in this routine.',
        );
        $allowed = $run->isBegun() ? $place <= $run->place() + 1 : 0 === $place;
        $allowed || throw InvalidEvent::in(
            'stage', sprintf('“%s” comes first.', $run->isBegun() ? $run->next()->title ?? '' : $run->routine->stages[0]->title),
        );
        $this->ensureLead($step, $event);
        $run->isBegun() && $place > $run->place() && !$event->hasReason() && $this->ensureStood($step, $run, $event);
    }

    /** Going on from a timed stage: it has had its time, by its reading or until now. */
    private function ensureStood(Step $step, FillRun $run, FitEvent $event): bool
    {
        $begun = $run->begun[count($run->begun) - 1];
        $ended = null;
        foreach ($this->fit->holds($step) as $hold) {
            $ended = null !== $hold->end && $hold->stage->id === $run->stage()->id ? $hold : $ended;
        }
        $hold = $ended ?? new Hold($run->stage(), Stood::between($begun, $event, $this->fit->state->liveBefore($begun)), $event, false);
        $run->stage()->seconds > 0 && $hold->isShort() && throw InvalidEvent::in(
            'stage', sprintf('“%s” stood %s. Let it stand, or say why not.', $run->stage()->title, $hold->inWords()),
        );

        return true;
    }

    private function asked(Step $step, string $field): Ask
    {
        foreach ($step->asking->asks as $ask) {
            if ($ask->field === $field) {
                return $ask;
            }
        }

        throw InvalidEvent::in('field', 'This step does not ask for that.');
    }
}
