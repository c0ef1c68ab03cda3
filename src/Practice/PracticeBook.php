<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Trace\Exercise;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\SimulatedPuller;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** The practice of each person: one open joint at a time, and what came of the ones before. */
final readonly class PracticeBook
{
    private const RECENT = 30;
    private const LONGEST = 6000;

    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    public function open(string $accountId): PracticeTry
    {
        $open = $this->em->getRepository(PracticeTry::class)->findOneBy(['accountId' => $accountId, 'endedAt' => null]);
        if (null !== $open) {
            return $open;
        }
        $seed = random_int(1, 2_000_000_000);
        $try = new PracticeTry((string) new Ulid(), $accountId, ['seed' => $seed], Exercise::drawn($seed)->fault, $this->clock->now());
        $this->em->persist($try);
        $this->em->flush();

        return $try;
    }

    public function find(string $id, string $accountId): ?PracticeTry
    {
        $try = $this->em->find(PracticeTry::class, $id);

        return null !== $try && $try->accountId === $accountId ? $try : null;
    }

    public function pull(PracticeTry $try, float $ms, float $eagerness): void
    {
        if ($try->isOver() || count($try->samples) >= self::LONGEST) {
            return;
        }
        $exercise = $try->exercise();
        $hand = new SimulatedPuller($exercise->model(), $try->joint['seed'], $try->hand['angle'], $try->hand['ms'], $try->hand['jerked']);
        $try->samples = [...$try->samples, ...$hand->pull(min(1000.0, max(0.0, $ms)), $eagerness)];
        $try->hand = ['angle' => $hand->angle(), 'ms' => $hand->ms(), 'jerked' => $hand->hasJerked()];
        $this->em->flush();
    }

    public function call(PracticeTry $try, Fault $called): void
    {
        if ($try->isOver()) {
            return;
        }
        [$try->score, $try->reasons] = $try->exercise()->score($try->samples, $called);
        $try->called = $called->value;
        $try->endedAt = $this->clock->now();
        $this->em->flush();
    }

    /** @return list<PracticeTry> newest first */
    public function recent(string $accountId): array
    {
        $query = $this->em->createQuery(
            sprintf('SELECT t FROM %s t WHERE t.accountId = :who AND t.endedAt IS NOT NULL ORDER BY t.endedAt DESC', PracticeTry::class),
        );

        /** @var list<PracticeTry> $tries */
        $tries = $query->setParameter('who', $accountId)->setMaxResults(self::RECENT)->getResult();

        return $tries;
    }
}
