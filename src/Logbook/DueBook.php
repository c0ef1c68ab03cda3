<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use Psr\Clock\ClockInterface;

/**
 * What falls due after a fit: booked when its step is done, unbooked when that is taken back, closed with an outcome. Plain
 * statements, inside the transaction of the mark: a flush there would write whatever else the request holds.
 */
final readonly class DueBook implements EventFollower
{
    public function __construct(private Connection $db, private ClockInterface $clock)
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
        foreach ($fit->sheet->doing(Deed::Book) as $step) {
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

        return array_map(
            static fn (array $row): DueRow => DueRow::of($row, $today),
            $this->db->fetchAllAssociative(
                'SELECT d.id, d.kind, d.title, d.text, d.due_on, d.after_km, d.fit_id, d.follow_up, d.closed_at, d.closed_by, '
                    .'d.outcome, v.short, f.title fit_title FROM due d JOIN vehicle v ON v.id = d.vehicle_id JOIN fit f ON f.id '
                        .'= d.fit_id WHERE '.$where,
                $parameters,
            ),
        );
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
}
