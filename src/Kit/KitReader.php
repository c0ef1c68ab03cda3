<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\Core\Kit\Calibration;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use Psr\Clock\ClockInterface;

/**
 * The kit as a plan and a bench see it today. Every tap asks for it: one plain query, as forty records through the ORM took
 * longer than the whole rest of the act.
 */
final class KitReader
{
    private ?Kit $kit = null;

    public function __construct(private readonly Connection $db, private readonly ClockInterface $clock)
    {
    }

    public function kit(): Kit
    {
        if (null !== $this->kit) {
            return $this->kit;
        }
        $wrenches = [];
        $tools = [];
        foreach ($this->db->fetchAllAssociative('SELECT name, kind, drive, min, max, error, lever, '
            .'calibrated_on FROM tool ORDER BY max, name') as $row) {
            $text = static fn (string $key): string => is_scalar($row[$key]) ? (string) $row[$key] : '';
            $tools[] = $text('name');
            if (ToolRecord::WRENCH === $text('kind')) {
                $calibrated = '' === $text('calibrated_on') ? null : new \DateTimeImmutable($text('calibrated_on'));
                $wrenches[] = new Wrench(
                    $text('name'), $text('drive'), (float) $text('min'), (float) $text('max'), (float) $text('error'),
                    (float) $text('lever'), null === $calibrated ? 0 : Calibration::daysPast($calibrated, $this->clock->now()),
                );
            }
        }

        return $this->kit = new Kit($wrenches, $tools);
    }
}
