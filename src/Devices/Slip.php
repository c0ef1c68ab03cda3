<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\EntityManagerInterface;

/** Pulls of a wrench that sends, at a step where a clutch is pulled through: the peak of each is what it slips at. N·m. */
final readonly class Slip
{
    public const SAID = 'slip';
    /** Readings around the peak that have to agree with it: one that jumps is none. */
    private const AROUND = 1;

    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** @param list<list<float>> $samples degrees, N·m, ms */
    public static function peak(array $samples): float
    {
        $torques = array_map(static fn (array $one): float => $one[1] ?? 0.0, $samples);
        $peak = 0.0;
        for ($i = self::AROUND; $i < count($torques) - self::AROUND; ++$i) {
            $around = array_slice($torques, $i - self::AROUND, 2 * self::AROUND + 1);
            sort($around);
            $peak = max($peak, $around[self::AROUND]);
        }

        return round($peak, 1);
    }

    /** @return list<float> what each pull came to since the last trial was kept */
    public function since(string $fitId, string $step, ?\DateTimeImmutable $after): array
    {
        $pulls = [];
        foreach ($this->em->getRepository(ReadingRecord::class)->findBy(
            ['fitId' => $fitId, 'step' => $step, 'done' => true, 'kind' => DeviceKind::Wrench->reading()], ['id' => 'ASC'],
        ) as $reading) {
            if ((null === $after || $reading->takenAt > $after) && self::SAID === $reading->taskText('said')) {
                $pulls[] = self::peak($reading->samples);
            }
        }

        return $pulls;
    }
}
