<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Intervals;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Due\Mileage;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/**
 * What the clock of each vehicle showed, wherever that was written down: by itself, in the fluid log, with a job, in the outcome of a
 * check.
 */
final readonly class MileageBook implements EventFollower
{
    private const MOST = 3.0e6;

    public function __construct(private Connection $db, private ClockInterface $clock)
    {
    }

    /** @throws InvalidInput naming the field */
    public function enter(string $vehicleId, string $text, string $by, ?\DateTimeImmutable $at = null, string $source = ''): float
    {
        $km = self::km('km', $text);
        $this->write((string) new Ulid(), $vehicleId, $at ?? $this->clock->now(), $km, $by, $source);

        return $km;
    }

    /** @throws InvalidInput naming the field */
    public static function km(string $field, string $text): float
    {
        try {
            $km = Notation::read(Kind::Distance, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, 'Distance: '.$e->getMessage());
        }

        return $km >= 0.0 && $km <= self::MOST ? $km : throw InvalidInput::in($field, 'A distance is from 0 to 3 000 000 km.');
    }

    public function of(string $vehicleId): Mileage
    {
        return $this->ofAll($vehicleId)[$vehicleId] ?? Mileage::of([]);
    }

    /**
     * @param string $vehicleId of one; empty for all
     *
     * @return array<string, Mileage> vehicle => what it showed
     */
    public function ofAll(string $vehicleId = ''): array
    {
        $rows = $this->db->fetchAllNumeric(
            "SELECT vehicle_id, at, km FROM mileage WHERE :one IN ('', vehicle_id)
                UNION ALL SELECT vehicle_id, at, km FROM fluid_entry WHERE km IS NOT NULL AND :one IN ('', vehicle_id)
                UNION ALL SELECT f.vehicle_id, f.created_at, j.mileage FROM job j JOIN fit f ON f.id = j.fit_id
                    WHERE j.mileage <> '' AND :one IN ('', f.vehicle_id)", ['one' => $vehicleId],
        );
        $readings = [];
        foreach ($rows as [$vehicle, $at, $km]) {
            $shown = is_numeric($km) ? (float) $km : self::distance(is_string($km) ? $km : '');
            is_string($vehicle) && is_string($at) && null !== $shown
                && $readings[$vehicle][] = [new \DateTimeImmutable($at, new \DateTimeZone('UTC')), $shown];
        }

        return array_map(Mileage::of(...), $readings);
    }

    /** Runs inside the transaction that keeps the event: “dry, 78 400 km” closes a check and says what the clock shows. */
    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        if (EventType::FollowUpClosed !== $event->type) {
            return;
        }
        if (1 === preg_match('~(?<![\d.,])(\d[\d.,\s\x{2009}\x{202f}]*(?:km|mi|miles))\b~ui', $event->string('outcome'), $found)) {
            $km = self::distance($found[1]);
            null === $km || $this->write('e'.$event->id, $record->vehicle->id, $event->happened(), $km, $event->by, $record->title);
        }
    }

    private function write(string $id, string $vehicleId, \DateTimeImmutable $at, float $km, string $by, string $source): void
    {
        $this->db->executeStatement(
            'INSERT INTO mileage (id, vehicle_id, at, km, by_name, source) VALUES (?, ?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING',
            [$id, $vehicleId, $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'), $km, $by, mb_substr($source, 0, 200)],
        );
    }

    /** km; null where it is none, as running hours are not. */
    private static function distance(string $text): ?float
    {
        try {
            return self::km('km', trim($text));
        } catch (InvalidInput) {
            return null;
        }
    }
}
