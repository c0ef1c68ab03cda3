<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;

/** The append-only log. A second insert of the same id changes nothing; the table itself refuses UPDATE and DELETE. */
final readonly class EventLog
{
    public function __construct(private Connection $db)
    {
    }

    /** @return list<FitEvent> */
    public function of(string $fitId): array
    {
        return array_map(
            self::event(...),
            $this->db->fetchAllAssociative(
                'SELECT id, type, payload, by_name, at, kept_at, device, waited, via, against, beside '
                    .'FROM fit_event WHERE fit_id = ? ORDER BY seq',
                [$fitId],
            ),
        );
    }

    /** @return list<string> the ids of what was kept up to a number, in order */
    public function upTo(string $fitId, int $version): array
    {
        /** @var list<string> $ids */
        $ids = $this->db->fetchFirstColumn('SELECT id FROM fit_event WHERE fit_id = ? AND seq <= ? ORDER BY seq', [$fitId, $version]);

        return $ids;
    }

    /** The number of the newest event of a fit; it grows with every event kept. */
    public function version(string $fitId): int
    {
        $seq = $this->db->fetchOne('SELECT MAX(seq) FROM fit_event WHERE fit_id = ?', [$fitId]);

        return is_numeric($seq) ? (int) $seq : 0;
    }

    /** @return bool false when the event was there already */
    public function keep(string $fitId, FitEvent $event): bool
    {
        return 1 === $this->db->executeStatement(
            'INSERT INTO fit_event (id, fit_id, type, payload, by_name, at, kept_at, device, waited, via, against, beside) VALUES (?, ?, '
                .'?, ?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT(id) DO NOTHING',
            [
                $event->id, $fitId, $event->type->value,
                json_encode($event->payload, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION | \JSON_UNESCAPED_UNICODE),
                $event->by, $event->toArray()['at'], $event->receipt->at->format('Y-m-d\TH:i:s.vP'), $event->receipt->device,
                $event->receipt->waited, $event->receipt->via, $event->receipt->against, $event->receipt->beside,
            ],
        );
    }

    /** @param array<string, mixed> $row */
    private static function event(array $row): FitEvent
    {
        $text = static fn (string $key): string => is_string($row[$key] ?? null)
            ? $row[$key]
            : throw new \LogicException(sprintf('The event log has no “%s”.', $key));
        /** @var array<string, string|int|float> $payload */
        $payload = json_decode($text('payload'), true, 16, \JSON_THROW_ON_ERROR);
        $at = new \DateTimeImmutable($text('at'));
        $keptAt = $text('kept_at') === $text('at') ? $at : new \DateTimeImmutable($text('kept_at'));
        $waited = is_numeric($row['waited'] ?? null) ? (float) $row['waited'] : 0.0;
        $receipt = new Receipt($keptAt, $text('device'), $waited, $text('via'), $text('against'), $text('beside'));

        return FitEvent::restored($text('id'), EventType::from($text('type')), $payload, $text('by_name'), $at, $receipt);
    }
}
