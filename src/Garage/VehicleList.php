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

    /** @return array<string, string> id => name, of all there ever were */
    public function names(): array
    {
        $names = [];
        foreach ($this->db->fetchAllNumeric('SELECT id, name FROM vehicle ORDER BY name') as [$id, $name]) {
            is_string($id) && is_string($name) && $names[$id] = $name;
        }

        return $names;
    }

    /**
     * Vehicles as a list shows them, without their sheets; those put away only where they are asked for.
     *
     * @return list<array{id: string, name: string, short: string, about: string, fits: int, toCheck: int}>
     */
    public function rows(bool $away = false): array
    {
        $rows = $this->db->fetchAllAssociative(
            "SELECT v.id, v.name, v.short, json_extract(v.document, '$.about') about,
                json_array_length(coalesce(json_extract(v.document, '$.to_check'), '[]')) unchecked, (SELECT COUNT(*) FROM fit f
                WHERE f.vehicle_id = v.id AND f.signed_at IS NOT NULL) fits FROM vehicle v WHERE v.archived = ? ORDER BY v.name",
            [(int) $away],
        );
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';

        return array_map(
            static fn (array $row): array => [
                'id' => $text($row['id']), 'name' => $text($row['name']), 'short' => $text($row['short']),
                'about' => $text($row['about']), 'fits' => (int) $text($row['fits']), 'toCheck' => (int) $text($row['unchecked']),
            ],
            $rows,
        );
    }
}
