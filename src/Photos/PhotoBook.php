<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\EventFollower;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;

/** Which picture belongs to which fit: asked on every picture that is sent, so that none is found by guessing. */
final readonly class PhotoBook implements EventFollower
{
    public function __construct(private Connection $db)
    {
    }

    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void
    {
        if (EventType::PhotoTaken === $event->type) {
            $this->db->executeStatement(
                'INSERT INTO fit_photo (event_id, fit_id, hash) VALUES (?, ?, ?) ON CONFLICT (event_id) DO NOTHING',
                [$event->id, $record->id, $event->string('hash')],
            );
        }
        if (EventType::Undone === $event->type) {
            $this->db->delete('fit_photo', ['event_id' => $event->string('event'), 'fit_id' => $record->id]);
        }
    }

    /** The hash of a picture of a fit; empty where the fit has no such picture, or it was taken back. */
    public function hash(string $fitId, string $photo): string
    {
        $hash = $this->db->fetchOne('SELECT hash FROM fit_photo WHERE event_id = ? AND fit_id = ?', [$photo, $fitId]);

        return is_string($hash) ? $hash : '';
    }

    public function count(string $fitId): int
    {
        $count = $this->db->fetchOne('SELECT COUNT(*) FROM fit_photo WHERE fit_id = ?', [$fitId]);

        return is_numeric($count) ? (int) $count : 0;
    }
}
