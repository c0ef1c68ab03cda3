<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Procedure\Complaint\ComplaintWork;
use NimbleKnuckle\Core\Sheet\Step;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** The complaints that were looked into here, and how often each cause was the one. A fit that is signed says it by itself. */
final readonly class ComplaintBook implements EventFollower
{
    public function __construct(private EntityManagerInterface $em, private Connection $db, private ClockInterface $clock)
    {
    }

    public function begin(Complaint $complaint, VehicleRecord $vehicle, string $by, ?FitRecord $fit = null): ComplaintRecord
    {
        $record = new ComplaintRecord(
            (string) new Ulid(), $vehicle, $complaint->table->id, $complaint->cause, $complaint->found->answers, $complaint->found->read,
            $by, $this->clock->now(), $fit,
        );
        $this->em->persist($record);
        $this->em->flush();

        return $record;
    }

    public function find(string $id): ?ComplaintRecord
    {
        return $this->em->find(ComplaintRecord::class, $id);
    }

    public function ofFit(string $fitId): ?ComplaintRecord
    {
        return $this->em->getRepository(ComplaintRecord::class)->findOneBy(['fit' => $fitId]);
    }

    /** @return list<ComplaintRecord> newest first */
    public function onVehicle(string $vehicleId, int $most): array
    {
        return array_values($this->em->getRepository(ComplaintRecord::class)->findBy(
            ['vehicle' => $vehicleId], ['begunAt' => 'DESC', 'id' => 'DESC'], $most,
        ));
    }

    /** @return list<ComplaintRecord> of which somebody said what it was, newest first */
    public function settled(string $symptom): array
    {
        return array_values(array_filter(
            $this->em->getRepository(ComplaintRecord::class)->findBy(['symptom' => $symptom], ['saidAt' => 'DESC', 'id' => 'DESC']),
            static fn (ComplaintRecord $one): bool => !$one->isOpen(),
        ));
    }

    /** @return array<string, int> cause => how often it was the one here */
    public function confirmed(string $symptom): array
    {
        $counts = [];
        $rows = $this->db->fetchAllNumeric(
            "SELECT outcome, COUNT(*) FROM complaint WHERE symptom = ? AND outcome <> '' AND left_out = 0 GROUP BY outcome", [$symptom],
        );
        foreach ($rows as [$cause, $times]) {
            is_string($cause) && is_numeric($times) && $counts[$cause] = (int) $times;
        }

        return $counts;
    }

    /** @param array<string, string> $after check => what was read or seen */
    public function settle(ComplaintRecord $record, string $outcome, string $remedy, array $after, string $by): void
    {
        [$record->outcome, $record->remedy, $record->after] = [$outcome, mb_substr($remedy, 0, 500), $after];
        [$record->saidBy, $record->saidAt] = [$by, $this->clock->now()];
        $this->em->flush();
    }

    public function leaveOut(ComplaintRecord $record, bool $out): void
    {
        $record->leftOut = $out;
        $this->em->flush();
    }

    /** Runs inside the transaction of the signature: what the sheet asked about the complaint is written beside it. */
    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        if (EventType::Signed !== $event->type) {
            return;
        }
        $after = [];
        $outcome = '';
        foreach ($fit->sheet->steps as $step) {
            foreach ($fit->state->readings[$step->id] ?? [] as $field => $reading) {
                if (str_starts_with($field, ComplaintWork::AGAIN)) {
                    $after[substr($field, strlen(ComplaintWork::AGAIN))] = $reading->text;
                }
                $outcome = ComplaintWork::CAUSE === $field ? self::chosen($step, $reading) : $outcome;
            }
        }[] === $after && '' === $outcome || $this->db->update('complaint', [
            'outcome' => ComplaintWork::UNSURE === $outcome ? '' : $outcome, 'said_by' => $event->by,
            'said_at' => $event->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
            'after' => json_encode((object) $after, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE), 'remedy' => $record->title,
        ], ['fit_id' => $record->id]);
    }

    /** @return array<string, string> check => what was read or seen the second time, as it was written at the bench */
    public static function after(Fit $fit): array
    {
        $after = [];
        foreach ($fit->state->readings as $readings) {
            foreach ($readings as $field => $reading) {
                if (str_starts_with($field, ComplaintWork::AGAIN)) {
                    $after[substr($field, strlen(ComplaintWork::AGAIN))] = $reading->text;
                }
            }
        }

        return $after;
    }

    private static function chosen(Step $step, Reading $reading): string
    {
        foreach ($step->asking->asks as $ask) {
            if (ComplaintWork::CAUSE === $ask->field) {
                return array_column($ask->limits->choices, 'id')[(int) round($reading->value) - 1] ?? '';
            }
        }

        return '';
    }
}
