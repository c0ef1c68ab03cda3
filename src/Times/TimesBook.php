<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Times;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Labour\LabourTimes;
use NimbleKnuckle\Core\Bench\Labour\WorkInterval;
use NimbleKnuckle\Core\Bench\Labour\WorkIntervals;
use Psr\Clock\ClockInterface;

/** What each step of a signed fit took, written down as it is signed; and which of its pauses were work, as somebody said. */
final readonly class TimesBook implements EventFollower
{
    public function __construct(private Connection $db, private ClockInterface $clock)
    {
    }

    /** Runs inside the transaction of the signature. */
    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        EventType::Signed !== $event->type || $this->keep($record->id, $fit);
    }

    public function spells(string $fitId, Fit $fit): WorkIntervals
    {
        return WorkIntervals::of($fit, $this->said($fitId));
    }

    /** Says of a pause whether it was work. Time at the bench and what is learned follow. */
    public function say(string $fitId, Fit $fit, WorkInterval $spell, bool $isWork, string $by): void
    {
        $this->db->transactional(function () use ($fitId, $fit, $spell, $isWork, $by): void {
            $counted = $spell->isSaid ? !$spell->isAway : $spell->minutes <= LabourTimes::AWAY;
            $this->db->executeStatement(
                'INSERT INTO pause_said (event_id, fit_id, is_work, by_name, at) VALUES (?, ?, ?, ?, ?)
                    ON CONFLICT (event_id) DO UPDATE SET is_work = excluded.is_work, by_name = excluded.by_name, at = excluded.at',
                [$spell->event, $fitId, (int) $isWork, $by, $this->clock->now()->format('Y-m-d H:i:s')],
            );
            $change = $spell->minutes * ((int) $isWork - (int) $counted);
            $this->db->executeStatement('UPDATE fit SET minutes_taken = max(0, minutes_taken + ?) WHERE id = ?', [$change, $fitId]);
            $this->db->executeStatement(
                'UPDATE fit_hand SET minutes = max(0, minutes + ?) WHERE fit_id = ? AND person = ?', [$change, $fitId, $spell->by],
            );
            $this->keep($fitId, $fit);
        });
    }

    private function keep(string $fitId, Fit $fit): void
    {
        $this->forget($fitId);
        $at = ($fit->state->signed->at ?? $this->clock->now())->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');
        foreach ($this->spells($fitId, $fit)->steps() as $id => $took) {
            $step = $fit->sheet->step($id);
            $planned = $step?->slot->minutes->byProcedure() ?? 0.0;
            if (null === $step || $planned <= 0.0) {
                continue;
            }
            $scale = $planned / max(1e-9, $step->slot->minutes->likely);
            $this->db->insert('step_time', [
                'fit_id' => $fitId, 'step' => $id, 'person' => $took['by'], 'title' => mb_substr($step->words->title, 0, 200),
                'minutes' => $took['minutes'], 'planned' => $planned, 'low' => $scale * $step->slot->minutes->low,
                'high' => $scale * $step->slot->minutes->high, 'at' => $at,
            ]);
            $this->count($id, $took['by'], log($took['minutes'] / $planned), 1);
        }
    }

    private function forget(string $fitId): void
    {
        $rows = $this->db->fetchAllAssociative('SELECT step, person, minutes, planned FROM step_time WHERE fit_id = ?', [$fitId]);
        foreach ($rows as ['step' => $step, 'person' => $person, 'minutes' => $minutes, 'planned' => $planned]) {
            is_string($step) && is_string($person) && is_numeric($minutes) && is_numeric($planned)
                && $this->count($step, $person, log((float) $minutes / (float) $planned), -1);
        }
        $this->db->delete('step_time', ['fit_id' => $fitId]);
    }

    private function count(string $step, string $person, float $log, int $times): void
    {
        $this->db->executeStatement(
            'INSERT INTO pace (step, person, jobs, total, squares) VALUES (?, ?, ?, ?, ?) ON CONFLICT (step, person) DO UPDATE SET
                jobs = jobs + excluded.jobs, total = total + excluded.total, squares = squares + excluded.squares',
            [$step, $person, $times, $times * $log, $times * $log ** 2],
        );
    }

    /** @return array<string, bool> */
    private function said(string $fitId): array
    {
        $said = [];
        foreach ($this->db->fetchAllNumeric('SELECT event_id, is_work FROM pause_said WHERE fit_id = ?', [$fitId]) as [$event, $isWork]) {
            is_string($event) && $said[$event] = (bool) $isWork;
        }

        return $said;
    }
}
