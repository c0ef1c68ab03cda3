<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Kit\Wrench;
use Psr\Clock\ClockInterface;

/** The workshop's kit, as a plan sees it today. */
final class KitBook
{
    public const CALIBRATION_DAYS = 365;

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
        foreach ($this->all() as $tool) {
            $tools[] = $tool->name;
            if ($tool->isWrench()) {
                $wrenches[] = new Wrench($tool->name, $tool->drive, $tool->min, $tool->max, $tool->error, $tool->lever, $this->daysPast($tool));
            }
        }

        return $this->kit = new Kit($wrenches, $tools);
    }

    /** @return list<ToolRecord> */
    public function all(): array
    {
        return array_values($this->em->getRepository(ToolRecord::class)->findBy([], ['kind' => 'DESC', 'max' => 'ASC', 'name' => 'ASC']));
    }

    public function daysPast(ToolRecord $tool): int
    {
        if (null === $tool->calibratedOn) {
            return 0;
        }
        $age = (int) $tool->calibratedOn->diff($this->clock->now())->format('%r%a');

        return max(0, $age - self::CALIBRATION_DAYS);
    }
}
