<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Intervals;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Due\Every;
use NimbleKnuckle\Core\Due\Forecast;
use NimbleKnuckle\Core\Due\Mileage;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/**
 * What is due on each vehicle by time and distance: parts as somebody entered them, fluids as the vehicle sheet has them. A fit that is
 * signed over a job begins its interval anew.
 */
final readonly class IntervalBook implements EventFollower
{
    private const MOST_MONTHS = 240;
    private const MOST_KM = 1.0e6;

    public function __construct(private Connection $db, private MileageBook $mileage, private ClockInterface $clock)
    {
    }

    /** @return list<DueWork> of one vehicle, the one that is due first before the others */
    public function on(string $vehicleId): array
    {
        return $this->rows($vehicleId);
    }

    /** @return list<DueWork> of all vehicles, what is due or soon will be */
    public function coming(): array
    {
        return array_values(array_filter($this->rows(''), static fn (DueWork $one): bool => $one->next->isDue || $one->next->isSoon));
    }

    /**
     * @param array<array-key, mixed> $form name, procedure, months, km, done_on, done_km
     *
     * @throws InvalidInput naming the field
     */
    public function enter(string $vehicleId, array $form, string $by): void
    {
        $text = static fn (string $field): string => is_scalar($form[$field] ?? null) ? trim((string) $form[$field]) : '';
        $name = mb_substr($text('name'), 0, 120);
        '' !== $name || throw InvalidInput::in('name', 'Say what it is: spark plugs, gearbox oil.');
        $months = '' === $text('months') ? 0 : filter_var($text('months'), \FILTER_VALIDATE_INT);
        is_int($months) && $months >= 0 && $months <= self::MOST_MONTHS
            || throw InvalidInput::in('months', 'Months: a whole number up to 240.');
        $km = $this->distance('km', $text('km')) ?? 0.0;
        $km <= self::MOST_KM || throw InvalidInput::in('km', 'Distance: up to 1 000 000 km.');
        $months > 0 || $km > 0.0 || throw InvalidInput::in('km', 'Say how often: by months, by distance, or both.');
        $this->db->insert('service_interval', [
            'id' => (string) new Ulid(), 'vehicle_id' => $vehicleId, 'name' => $name,
            'procedure_id' => mb_substr($text('procedure'), 0, 80),
            'every_months' => $months, 'every_km' => $km, 'done_on' => $this->day($text('done_on'))->format('Y-m-d'),
            'done_km' => $this->distance('done_km', $text('done_km')), 'done_by' => $by,
        ]);
    }

    /** @throws InvalidInput naming the field */
    public function done(string $vehicleId, string $id, string $on, string $km, string $by): void
    {
        $this->db->update('service_interval', [
            'done_on' => $this->day($on)->format('Y-m-d'), 'done_km' => $this->distance('done_km', $km), 'done_by' => $by,
        ], ['id' => $id, 'vehicle_id' => $vehicleId]);
    }

    public function drop(string $vehicleId, string $id): void
    {
        $this->db->delete('service_interval', ['id' => $id, 'vehicle_id' => $vehicleId]);
    }

    /** Runs inside the transaction of the signature. */
    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        if (EventType::Signed !== $event->type) {
            return;
        }
        foreach ($record->procedures as $procedure) {
            $this->db->executeStatement(
                'UPDATE service_interval SET done_on = ?, done_km = NULL, done_by = ? WHERE vehicle_id = ? AND procedure_id = ?
                    AND done_on <= ?',
                [$event->at->format('Y-m-d'), $event->by, $record->vehicle->id, $procedure, $event->at->format('Y-m-d')],
            );
        }
    }

    /** @return list<DueWork> */
    private function rows(string $vehicleId): array
    {
        $rows = $this->db->fetchAllAssociative(
            "SELECT i.id, i.name, i.procedure_id, '' circuit, i.every_months, i.every_km, i.done_on, i.done_km, v.id vehicle, v.short
                FROM service_interval i JOIN vehicle v ON v.id = i.vehicle_id WHERE v.archived = 0 AND :one IN ('', v.id)
                UNION ALL SELECT '', json_extract(c.value, '$.name'), '', f.circuit, json_extract(c.value, '$.every_months'),
                    json_extract(c.value, '$.every_km'), f.at, f.km, v.id, v.short
                FROM (SELECT vehicle_id, circuit, max(at) at, km FROM fluid_entry WHERE kind = 'filled' GROUP BY vehicle_id, circuit) f
                    JOIN vehicle v ON v.id = f.vehicle_id, json_each(v.document, '$.circuits') c
                WHERE v.archived = 0 AND :one IN ('', v.id)
                    AND f.circuit IN (json_extract(c.value, '$.id'), json_extract(c.value, '$.role'))",
            ['one' => $vehicleId],
        );
        $mileage = $this->mileage->ofAll($vehicleId);
        $works = array_filter(array_map(fn (array $row): ?DueWork => $this->work($row, $mileage), $rows));
        usort($works, static fn (DueWork $a, DueWork $b): int => [null === $a->next->on, $a->next->on, $a->name]
            <=> [null === $b->next->on, $b->next->on, $b->name]);

        return $works;
    }

    /**
     * @param array<string, mixed> $row
     * @param array<string, Mileage> $mileage
     */
    private function work(array $row, array $mileage): ?DueWork
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $every = new Every((int) $text('every_months'), (float) $text('every_km'));
        if (!$every->isSet()) {
            return null;
        }
        $done = new \DateTimeImmutable($text('done_on'));
        $known = $mileage[$text('vehicle')] ?? Mileage::of([]);
        $km = '' === $text('done_km') ? null : (float) $text('done_km');

        return new DueWork(
            $text('id'), $text('name'), $text('procedure_id'), $text('circuit'),
            ['id' => $text('vehicle'), 'short' => $text('short')], $every, $done,
            Forecast::of($every, $done, $km, $known, $this->clock->now()),
        );
    }

    /** @throws InvalidInput */
    private function day(string $text): \DateTimeImmutable
    {
        $today = $this->clock->now();
        if ('' === $text) {
            return $today;
        }
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $text);
        false !== $day && $day->format('Y-m-d') === $text && $day <= $today
            || throw InvalidInput::in('done_on', 'When it was done last: a day up to today.');

        return $day;
    }

    /** @throws InvalidInput */
    private function distance(string $field, string $text): ?float
    {
        return '' === $text ? null : MileageBook::km($field, $text);
    }
}
