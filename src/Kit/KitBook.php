<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Kit\Calibration;
use Psr\Clock\ClockInterface;

/** The tools of the workshop as records, to show and to change. */
final readonly class KitBook
{
    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
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
