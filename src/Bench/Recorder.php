<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Fluids\FluidBook;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\App\Planning\FitRecord;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\FitState;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\Ladder;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use Psr\Clock\ClockInterface;

/**
 * Takes events for a fit. One transaction that holds the write lock from its first line, so that two tablets are heard one
 * after the other: read the log, check the event against it, append it, bring the summary up to date, commit to disk.
 */
final readonly class Recorder
{
    public function __construct(
        private Connection $db,
        private EventLog $log,
        private EntityManagerInterface $em,
        private DueBook $dues,
        private FluidBook $fluids,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<FitEvent> $events
     * @param bool $replay the events were accepted elsewhere, perhaps against another version of the sheet: they are not checked again
     *
     * @return Fit as it is once they are kept
     *
     * @throws InvalidEvent naming what stands against the first one that cannot be; none of that call is kept then
     */
    public function record(FitRecord $record, array $events, bool $byLead, bool $replay = false): Fit
    {
        $now = $this->clock->now();
        $this->db->executeStatement('BEGIN IMMEDIATE');
        try {
            $kept = $this->log->of($record->id);
            $fit = $this->fit($record, $kept);
            $known = array_fill_keys(array_map(static fn (FitEvent $e): string => $e->id, $kept), true);
            foreach ($events as $event) {
                if (isset($known[$event->id])) {
                    continue;
                }
                $replay || $this->ensurePossible($fit, $event, $byLead, $now);
                $this->log->keep($record->id, $event, $now) || throw InvalidEvent::in('id', 'This id already stands in the log of another fit.');
                $known[$event->id] = true;
                $kept[] = $event;
                $fit = $this->fit($record, $kept);
                $this->dues->afterEvent($record, $fit, $event);
                $this->fluids->afterEvent($record, $fit, $event);
            }
            $this->summarise($record, $fit, $now);
            $this->db->executeStatement('COMMIT');
        } catch (\Throwable $e) {
            $this->db->executeStatement('ROLLBACK');
            throw $e;
        }
        if ($this->em->contains($record)) {
            $this->em->refresh($record);
        }

        return $fit;
    }

    public function load(FitRecord $record): Fit
    {
        return $this->fit($record, $this->log->of($record->id));
    }

    /** @param list<FitEvent> $events */
    private function fit(FitRecord $record, array $events): Fit
    {
        return new Fit($record->sheet(), $record->vehicleSheet(), FitState::fold($events));
    }

    private function ensurePossible(Fit $fit, FitEvent $event, bool $byLead, \DateTimeImmutable $now): void
    {
        if ($event->at > $now->modify('+10 minutes')) {
            throw InvalidEvent::in('at', 'The clock of this tablet is ahead: set it right.');
        }
        if (null !== $fit->state->signed && EventType::FollowUpClosed !== $event->type && EventType::Noted !== $event->type) {
            throw InvalidEvent::in('fit', 'This fit is signed off; only notes and due checks can be added.');
        }
        $stepId = $event->string('step');
        $step = $fit->sheet->step($stepId);
        if ('' !== $stepId && null === $step) {
            throw InvalidEvent::in('step', 'There is no such step on this sheet.');
        }
        match ($event->type) {
            EventType::StepDone => null !== $step && '' === $event->string('reason') && [] !== $fit->gate($step) ? throw InvalidEvent::dueToGate($fit->gate($step)) : null,
            EventType::FastenerMarked => $this->ensureFastener($fit, $event),
            EventType::CautionAcknowledged => isset($step->cautions[$event->int('caution')]) ? null : throw InvalidEvent::in('caution', 'There is no such caution at this step.'),
            EventType::StageBegun => $this->ensureStage($fit, $event),
            EventType::Measured => $this->ensureAsked($fit, $event),
            EventType::Counted => $this->ensureCountable($fit, $event),
            EventType::Undone => $this->ensureUndoable($fit, $event),
            EventType::Found => isset($fit->state->dropped[$event->string('dropped')]) ? null : throw InvalidEvent::in('dropped', 'Nothing like that is missing.'),
            EventType::Signed => [] === $fit->refusals($byLead) ? null : throw InvalidEvent::in('fit', implode(' ', $fit->refusals($byLead))),
            default => null,
        };
    }

    private function ensureFastener(Fit $fit, FitEvent $event): void
    {
        $joint = $fit->vehicle->joints[$event->string('joint')] ?? throw InvalidEvent::in('joint', 'There is no such joint on this vehicle.');
        $bolt = $event->int('bolt');
        ($bolt >= 1 && $bolt <= $joint->count()) || throw InvalidEvent::in('bolt', sprintf('This joint has fasteners 1 to %d.', $joint->count()));
        $stage = $event->int('stage');
        $ladder = Ladder::of($joint);
        $ladder->has($stage) || throw InvalidEvent::in('stage', 'There is no such pass on this joint.');
        $now = $fit->state->stage($joint->id, $bolt);
        $stage <= $now + 1 || throw InvalidEvent::in('stage', sprintf('Bolt %d is %s: «%s» comes before «%s».', $bolt, $ladder->label($now), $ladder->label($now + 1), $ladder->label($stage)));
    }

    /** The next stage, the first, or one that may be done again. */
    private function ensureStage(Fit $fit, FitEvent $event): void
    {
        $step = $fit->sheet->step($event->string('step'));
        $run = null === $step ? null : $fit->routine($step);
        null !== $run || throw InvalidEvent::in('step', 'That step has no fill routine.');
        $place = $run->routine->place($event->string('stage')) ?? throw InvalidEvent::in('stage', 'There is no such stage in this routine.');
        $allowed = $run->isBegun() ? $place <= $run->place() + 1 : 0 === $place;
        $allowed || throw InvalidEvent::in('stage', sprintf('«%s» comes first.', $run->isBegun() ? $run->next()->title ?? '' : $run->routine->stages[0]->title));
    }

    private function ensureAsked(Fit $fit, FitEvent $event): void
    {
        foreach ($fit->sheet->step($event->string('step'))->asks ?? [] as $ask) {
            if ($ask->field === $event->string('field')) {
                return;
            }
        }
        throw InvalidEvent::in('field', 'This step does not ask for that.');
    }

    private function ensureCountable(Fit $fit, FitEvent $event): void
    {
        $step = $fit->sheet->step($event->string('step'));
        foreach ($step->tray ?? [] as $line) {
            if (null !== $step && $line->thing === $event->string('thing')) {
                $fit->countOf($step, $line) + $event->int('by') >= 0 || throw InvalidEvent::in('by', 'A tray cannot hold less than nothing.');

                return;
            }
        }
        throw InvalidEvent::in('thing', 'That does not belong to this tray.');
    }

    private function ensureUndoable(Fit $fit, FitEvent $event): void
    {
        foreach ($fit->state->log as $past) {
            if ($past->id === $event->string('event')) {
                ($past->type->canBeUndone() && !isset($fit->state->undone[$past->id])) || throw InvalidEvent::in('event', 'That can no longer be taken back.');
                $step = $fit->sheet->step($past->string('step'));
                if (EventType::StepDone === $past->type && Deed::Book === $step?->deed && $this->dues->isClosed($fit, $step)) {
                    throw InvalidEvent::in('event', 'That check was booked and has been done already.');
                }

                return;
            }
        }
        throw InvalidEvent::in('event', 'There is nothing like that to take back.');
    }

    private function summarise(FitRecord $record, Fit $fit, \DateTimeImmutable $now): void
    {
        $current = $fit->currentStep();
        $waits = array_values(array_filter($fit->sheet->steps, $fit->runsByItself(...)));
        $started = [] === $fit->state->log ? null : $fit->state->log[0]->at;
        $done = count(array_filter($fit->sheet->steps, static fn ($step): bool => $fit->state->isClosed($step->id)));
        $signed = $fit->state->signed;
        $this->db->update('fit', [
            'status' => null !== $signed ? 'signed' : (null === $started ? 'planned' : 'in-hand'),
            'started_at' => $started?->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
            'signed_at' => $signed?->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
            'signed_by' => $signed->by ?? '',
            'phase' => $current->phase->value ?? 'decide',
            'step_title' => mb_substr($current->title ?? '', 0, 200),
            'minutes_left' => null !== $signed ? 0.0 : $fit->minutesLeft($now),
            'minutes_taken' => self::benchMinutes($fit),
            'loose_ends' => count($fit->looseEnds()),
            'steps_done' => $done,
            'steps_all' => count($fit->sheet->steps),
            'waits' => mb_substr(implode(', ', array_map(static fn ($step): string => $step->title, $waits)), 0, 200),
        ], ['id' => $record->id]);
    }

    /** Time at the bench: gaps between marks, where a gap of more than an hour counts as away. */
    private static function benchMinutes(Fit $fit): float
    {
        $minutes = 0.0;
        $last = null;
        foreach ($fit->state->log as $event) {
            $gap = null === $last ? 0.0 : ((float) $event->at->format('U.u') - (float) $last->format('U.u')) / 60;
            $minutes += $gap > 0 && $gap <= 60 ? $gap : 0.0;
            $last = $event->at;
        }

        return $minutes;
    }
}
