<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Doctrine\DBAL\Connection;

/** What went wrong on which vehicle, out of the log of all fits. */
final readonly class MishapBook
{
    public function __construct(private Connection $db)
    {
    }

    /** @return list<MishapRow> newest first */
    public function rows(int $limit, string $vehicle = ''): array
    {
        return array_map(MishapRow::of(...), $this->db->fetchAllAssociative(
            "SELECT e.id, e.fit_id, e.payload, e.by_name, e.at, f.title, v.id vehicle_id, v.short
                FROM fit_event e JOIN fit f ON f.id = e.fit_id JOIN vehicle v ON v.id = f.vehicle_id
                WHERE e.type = 'mishap' AND (:vehicle = '' OR f.vehicle_id = :vehicle) AND NOT EXISTS (
                    SELECT 1 FROM fit_event u
                    WHERE u.fit_id = e.fit_id AND u.type = 'undone' AND json_extract(u.payload, '\$.event') = e.id
                )
                ORDER BY e.at DESC LIMIT ".$limit,
            ['vehicle' => $vehicle],
        ));
    }
}
