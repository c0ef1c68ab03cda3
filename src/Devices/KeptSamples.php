<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\DBAL\Connection;

/**
 * What came in of a reading meanwhile by another hand, read anew under the lock. A plain query: a refresh through the ORM
 * would also undo what this request has changed and not yet written.
 */
final readonly class KeptSamples
{
    public function __construct(private Connection $db)
    {
    }

    public function into(ReadingRecord $reading): void
    {
        $row = $this->db->fetchAssociative('SELECT samples, done, marked FROM reading WHERE id = ?', [$reading->id]);
        $samples = is_string($row['samples'] ?? null) ? json_decode($row['samples'], true, 8, \JSON_THROW_ON_ERROR) : null;
        if (false !== $row && is_array($samples)) {
            /** @var list<list<float>> $samples */
            [$reading->samples, $reading->done, $reading->marked] = [$samples, (bool) $row['done'], (bool) $row['marked']];
        }
    }
}
