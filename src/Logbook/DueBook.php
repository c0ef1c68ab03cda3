<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Intervals\MileageBook;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Due\Mileage;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use Psr\Clock\ClockInterface;

/**
 * What falls due after a fit: booked when its step is done, unbooked when that is taken back, closed with an outcome. Plain
 * statements, inside the transaction of the mark: a flush there would write whatever else the request holds.
 */
final readonly class DueBook implements EventFollower
{
    public function __construct(private Connection $db, private ClockInterface $clock, private MileageBook $mileage)
    {
    }

    /** Runs inside the transaction that keeps the event. */
    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        if (EventType::FollowUpClosed === $event->type) {
            $this->db->update(
                'due', ['closed_at' => self::stamp($event->at), 'closed_by' => $event->by, 'outcome' => $event->string('outcome')],
                ['fit_id' => $record->id, 'follow_up' => $event->string('follow_up')],
            );

            return;
        }
        if (!in_array($event->type, [EventType::StepDone, EventType::StepReopened, EventType::StepSkipped, EventType::Undone], true)) {
            return;
        }
        foreach ($fit->sheet->doing(StepKind::Book) as $step) {
            $fit->state->isDone($step->id) ? $this->book(
                $record, $step, $fit->state->done[$step->id]->at,
            ) : $this->db->executeStatement(
                'DELETE FROM due WHERE fit_id = ? AND follow_up = ? AND closed_at IS NULL', [$record->id, $step->asking->followUp->id],
            );
        }
    }

    public function isClosed(Fit $fit, Step $step): bool
    {
        return isset($fit->state->followUps[$step->asking->followUp->id]);
    }

    /** @return list<DueRow> open ones as a list shows them, soonest first */
    public function openRows(): array
    {
        return $this->rows('d.closed_at IS NULL ORDER BY d.due_on, d.id', []);
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<DueRow>
     */
    private function rows(string $where, array $parameters): array
    {
        $today = $this->clock->now()->format('Y-m-d');

        $rows = $this->db->fetchAllAssociative(
            'SELECT d.id, d.kind, d.title, d.text, d.due_on, d.after_km, d.fit_id, d.follow_up, d.closed_at, d.closed_by, d.vehicle_id, '
                .'d.booked_at, d.outcome, v.short, f.title fit_title FROM due d JOIN vehicle v ON v.id = d.vehicle_id JOIN fit f ON f.id '
                    .'= d.fit_id WHERE '.$where,
            $parameters,
        );
        $mileage = [] === array_filter(array_column($rows, 'after_km')) ? [] : $this->mileage->ofAll();
        $due = array_map(
            static fn (array $row): DueRow => DueRow::of($row, $today, self::run($row, $mileage)), $rows,
        );
        usort($due, static fn (DueRow $a, DueRow $b): int => [$a->day->on, $a->id] <=> [$b->day->on, $b->id]);

        return $due;
    }

    /** @return list<DueRow> what a fit booked, open or done */
    public function ofFit(string $fitId): array
    {
        return $this->rows('d.fit_id = ? ORDER BY d.due_on, d.id', [$fitId]);
    }

    private function book(FitRecord $record, Step $step, \DateTimeImmutable $at): void
    {
        $due = $step->asking->followUp;
        $this->db->executeStatement('INSERT INTO due (id, fit_id, vehicle_id, follow_up, kind, title, text, due_on, after_km, '
            .'booked_at, closed_by, outcome) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT(id) DO NOTHING', [
                substr(hash('sha256', $record->id.$due->id), 0, 32), $record->id, $record->vehicle->id, $due->id, $due->kind,
                $due->title, $due->text,
                $at->modify(sprintf('+%d days', $due->days))->format('Y-m-d'), $due->km, self::stamp($at), '', '',
            ]);
    }

    private static function stamp(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');
    }

    /**
     * The day the km of a check are run, by what the clock of the vehicle showed.
     *
     * @param array<string, mixed> $row
     * @param array<string, Mileage> $all vehicle => its readings
     */
    private static function run(array $row, array $all): ?string
    {
        $mileage = is_string($row['vehicle_id']) ? $all[$row['vehicle_id']] ?? null : null;
        $km = is_numeric($row['after_km']) ? (float) $row['after_km'] : 0.0;
        $booked = is_string($row['booked_at']) ? new \DateTimeImmutable($row['booked_at'], new \DateTimeZone('UTC')) : null;
        $then = null === $booked || $km <= 0.0 ? null : $mileage?->at($booked);

        return null === $then ? null : $mileage->when($then + $km)?->format('Y-m-d');
    }
}
