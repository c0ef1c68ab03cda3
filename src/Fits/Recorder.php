<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fact\Measured;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Labour\LabourTimes;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Bench\State\Rivals;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/**
 * Takes events for a fit. One transaction that holds the write lock from its first line, so that two tablets are heard one
 * after the other: read the log, check the event against it, append it, bring the summary up to date, commit to disk.
 */
final readonly class Recorder
{
    /** @param iterable<EventFollower> $followers */
    public function __construct(
        private Connection $db,
        private EventLog $log,
        private EntityManagerInterface $em,
        private FitBook $fits,
        private ClockInterface $clock,
        private LawVersion $law,
        #[AutowireIterator(EventFollower::TAG)] private iterable $followers,
    ) {
    }

    /**
     * @param list<FitEvent> $events
     * @param Authority $hand whose hand they come by; it says what may be overruled, waived and signed
     * @param array<string, Seen> $seen event => what the tablet went by that made it
     * @param bool $replay the events were accepted elsewhere, perhaps against another version of the sheet: they are not judged again
     *
     * @return Fit as it is once they are kept
     *
     * @throws InvalidEvent naming what stands against the first one that cannot be; none of that call is kept then
     */
    public function record(FitRecord $record, array $events, Authority $hand, bool $replay = false, array $seen = []): Fit
    {
        $now = $this->clock->now();
        [$record, $fit] = $this->db->transactional(function () use ($record, $events, $hand, $replay, $seen, $now): array {
            $record = $this->fresh($record);
            $fit = $this->fit($record, $this->log->of($record->id), $now);
            foreach ($events as $event) {
                $known = $fit->state->event($event->id);
                if (null !== $known) {
                    $replay || $known->saysTheSame($event) || throw InvalidEvent::other($known);
                    continue;
                }
                $sight = $seen[$event->id] ?? new Seen();
                $event = $replay ? $event : $this->beside($record, $fit, $this->judged($record, $fit, $event, $hand, $sight), $sight);
                $this->log->keep($record->id, $event) || throw InvalidEvent::in('id', 'This id already stands in the log of another fit.');
                $fit = $fit->then($event);
                foreach ($this->followers as $follower) {
                    $follower->afterEvent($record, $fit, $event);
                }
            }
            $this->summarise($record, $fit, $now);

            return [$record, $fit];
        });
        if ($this->em->contains($record)) {
            $this->em->refresh($record);
        }

        return $fit;
    }

    /**
     * What was done without the server is done. Where the law its tablet knew, and the log as far as it had seen it, let it through,
     * it is kept, and what stands against it by now is kept with it: a lead looks at it.
     *
     * @throws InvalidEvent
     */
    private function judged(FitRecord $record, Fit $fit, FitEvent $event, Authority $hand, Seen $seen): FitEvent
    {
        $now = $this->clock->now();
        try {
            (new Law($fit, $hand, $now))->ensure($event);
        } catch (InvalidEvent $e) {
            $isFact = $e->isOutOfOrder && $event->wasQueued()
                && ($seen->law !== $this->law->id || $this->wasInOrder($record, $fit, $event, $hand, $seen));

            return $isFact ? $event->over($e->getMessage()) : throw $e;
        }

        return $event;
    }

    /** A reading taken by a tablet that had not seen what another had read: both stand until somebody says which is so. */
    private function beside(FitRecord $record, Fit $fit, FitEvent $event, Seen $seen): FitEvent
    {
        if (EventType::Measured !== $event->type) {
            return $event;
        }
        $of = $event->as(Measured::class);
        $others = Rivals::ofOthers(
            $fit->state->rivals($of->step, $of->field), $fit->state->reading($of->step, $of->field), $event->receipt->device,
        );
        if ([] === $others || !$seen->isSaid() && !$event->wasQueued()) {
            return $event;
        }
        $known = $seen->isSaid() ? array_fill_keys($this->log->upTo($record->id, $seen->version), true) : [];
        $unseen = array_values(array_filter($others, static fn (Reading $one): bool => !isset($known[$one->event->id])));

        return [] === $unseen ? $event : $event->beside($unseen[0]->event->id);
    }

    /** As its own tablet knew the fit: the log up to what it had seen, and its own marks since. */
    private function wasInOrder(FitRecord $record, Fit $fit, FitEvent $event, Authority $hand, Seen $seen): bool
    {
        $known = array_fill_keys($this->log->upTo($record->id, $seen->version), true);
        $log = array_filter($fit->state->log, static fn (FitEvent $one): bool => isset($known[$one->id])
            || '' !== $one->receipt->device && $one->receipt->device === $event->receipt->device);
        try {
            (new Law(new Fit($fit->sheet, $fit->vehicle, FitState::fold($log), $event->at), $hand, $this->clock->now()))->ensure($event);
        } catch (InvalidEvent) {
            return false;
        }

        return true;
    }

    /** The fit with the sheet that is in force now: it may have been planned again since it was read. */
    private function fresh(FitRecord $record): FitRecord
    {
        $revision = $this->db->fetchOne('SELECT revision FROM fit WHERE id = ?', [$record->id]);

        return is_numeric($revision) && (int) $revision === $record->revision ? $record : $this->fits->get($record->id);
    }

    public function load(FitRecord $record): Fit
    {
        return $this->fit($record, $this->log->of($record->id), $this->clock->now());
    }

    /** @param list<FitEvent> $events */
    private function fit(FitRecord $record, array $events, \DateTimeImmutable $now): Fit
    {
        return new Fit($record->sheet(), $record->vehicleSheet(), FitState::fold($events), $now);
    }

    private function summarise(FitRecord $record, Fit $fit, \DateTimeImmutable $now): void
    {
        $current = $fit->course()->currentStep();
        $waits = array_values(array_filter($fit->sheet->steps, $fit->course()->runsByItself(...)));
        $started = [] === $fit->state->log ? null : $fit->state->log[0]->at;
        $done = count(array_filter($fit->sheet->steps, static fn ($step): bool => $fit->state->isClosed($step->id)));
        $signed = $fit->state->signed;
        $this->db->update('fit', [
            'status' => self::status($fit)->value,
            'started_at' => $started?->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
            'signed_at' => $signed?->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
            'signed_by' => $signed->by ?? '',
            'phase' => $current->slot->phase->value ?? 'decide',
            'step_title' => mb_substr($current->words->title ?? '', 0, 200),
            'minutes_left' => null !== $signed ? 0.0 : $fit->course()->minutesLeft($now),
            'minutes_taken' => self::benchMinutes($fit),
            'loose_ends' => count(SignOff::of($fit)->looseEnds()),
            'steps_done' => $done,
            'steps_all' => count($fit->sheet->steps),
            'waits' => mb_substr(implode(', ', array_map(static fn ($step): string => $step->words->title, $waits)), 0, 200),
        ], ['id' => $record->id]);
        null === $signed || $this->keepHands($record->id, $fit);
    }

    /** Who was at the bench how long, once it is signed: lists ask for it by name. */
    private function keepHands(string $id, Fit $fit): void
    {
        $this->db->delete('fit_hand', ['fit_id' => $id]);
        $at = $fit->state->signed?->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');
        foreach (LabourTimes::of($fit) as $person => $spent) {
            $this->db->insert('fit_hand', [
                'fit_id' => $id, 'person' => $person, 'minutes' => $spent->minutes, 'marks' => $spent->marks, 'at' => $at,
            ]);
        }
    }

    private static function status(Fit $fit): FitStatus
    {
        return match (true) {
            null !== $fit->state->signed => FitStatus::Signed,
            null !== $fit->state->stopped => FitStatus::from($fit->state->stopped->string('kind')),
            [] === $fit->state->log => FitStatus::Planned,
            default => FitStatus::InHand,
        };
    }

    /** Time at the bench, whoever was there. */
    private static function benchMinutes(Fit $fit): float
    {
        return LabourTimes::minutes(array_map(static fn (FitEvent $event): \DateTimeImmutable => $event->at, $fit->state->log));
    }
}
