<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Plan\Kit\Calibration;
use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Kit\Wrench;
use Psr\Clock\ClockInterface;

/** The workshop's kit, as a plan sees it today. */
final class KitBook
{
    private ?Kit $kit = null;

    public function __construct(private readonly EntityManagerInterface $em, private readonly ClockInterface $clock)
    {
    }

    public function kit(): Kit
    {
        if (null !== $this->kit) {
            return $this->kit;
        }
        $wrenches = [];
        $tools = [];
        foreach ($this->em->getConnection()->fetchAllAssociative('SELECT name, kind, drive, min, max, error, lever, '
            .'calibrated_on FROM tool ORDER BY max, name') as $row) {
            $text = static fn (string $key): string => is_scalar($row[$key]) ? (string) $row[$key] : '';
            $tools[] = $text('name');
            if (ToolRecord::WRENCH === $text('kind')) {
                $calibrated = '' === $text('calibrated_on') ? null : new \DateTimeImmutable($text('calibrated_on'));
                $wrenches[] = new Wrench(
                    $text('name'), $text('drive'), (float) $text('min'), (float) $text('max'), (float) $text('error'),
                    (float) $text('lever'), $this->daysPast($calibrated),
                );
            }
        }

        return $this->kit = new Kit($wrenches, $tools);
    }

    /** @return list<ToolRecord> */
    public function all(): array
    {
        return array_values($this->em->getRepository(ToolRecord::class)->findBy([], ['kind' => 'DESC', 'max' => 'ASC', 'name' => 'ASC']));
    }

    public function tool(string $id): ?ToolRecord
    {
        return '' === $id ? null : $this->em->find(ToolRecord::class, $id);
    }

    public function daysPast(?\DateTimeImmutable $calibratedOn): int
    {
        return null === $calibratedOn ? 0 : Calibration::daysPast($calibratedOn, $this->clock->now());
    }
}
