<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use Doctrine\DBAL\Connection;

/** The vehicles as lists show them: a plain query, as their sheets are large and a list needs none of them. */
final readonly class VehicleList
{
    public function __construct(private Connection $db)
    {
    }

    /**
     * Vehicles as a list shows them, without their sheets.
     *
     * @return list<array{id: string, name: string, short: string, about: string, fits: int}>
     */
    public function rows(): array
    {
        $rows = $this->db->fetchAllAssociative(
            "SELECT v.id, v.name, v.short, json_extract(v.document, '$.about') about, (SELECT COUNT(*) FROM fit f
                WHERE f.vehicle_id = v.id AND f.signed_at IS NOT NULL) fits FROM vehicle v ORDER BY v.name",
        );
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';

        return array_map(
            static fn (array $row): array => [
                'id' => $text($row['id']), 'name' => $text($row['name']), 'short' => $text($row['short']),
                'about' => $text($row['about']), 'fits' => (int) $text($row['fits']),
            ],
            $rows,
        );
    }
}
