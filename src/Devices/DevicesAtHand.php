<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\DBAL\Connection;

/**
 * The devices a step at the bench can take in hand: one plain query, for every screen of a joint asks, and starting the ORM
 * for it took a tenth of that screen.
 */
final readonly class DevicesAtHand
{
    public function __construct(private Connection $db)
    {
    }

    /** @return list<DeviceAtHand> by name */
    public function of(DeviceKind $kind, string $fitId, string $step): array
    {
        $devices = [];
        foreach ($this->db->fetchAllAssociative(
            'SELECT id, name, simulated, fit_id, step FROM device WHERE kind = ? ORDER BY name', [$kind->value],
        ) as $row) {
            $text = static fn (string $key): string => is_scalar($row[$key]) ? (string) $row[$key] : '';
            $devices[] = new DeviceAtHand(
                $text('id'), $text('name'), '1' === $text('simulated'), $text('fit_id') === $fitId && $text('step') === $step,
            );
        }

        return $devices;
    }
}
