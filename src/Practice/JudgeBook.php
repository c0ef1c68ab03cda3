<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** What each person judged by eye: one open thing of a kind at a time, and what came of the ones before. */
final readonly class JudgeBook
{
    private const RECENT = 20;

    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    public function open(string $accountId, JudgeKind $kind): JudgeTry
    {
        $open = $this->em->getRepository(JudgeTry::class)->findOneBy(['accountId' => $accountId, 'kind' => $kind, 'endedAt' => null]);
        if (null !== $open) {
            return $open;
        }
        $try = new JudgeTry((string) new Ulid(), $accountId, $kind, random_int(1, 2_000_000_000), $this->clock->now());
        $this->em->persist($try);
        $this->em->flush();

        return $try;
    }

    public function find(string $id, string $accountId): ?JudgeTry
    {
        $try = $this->em->find(JudgeTry::class, $id);

        return null !== $try && $try->accountId === $accountId ? $try : null;
    }

    public function call(JudgeTry $try, string $called, string $next): void
    {
        if ($try->isOver()) {
            return;
        }
        [$try->score, $try->reasons] = Judging::score($try->shown(), $called, $next);
        $try->called = $called;
        $try->endedAt = $this->clock->now();
        $this->em->flush();
    }

    /** @return list<JudgeTry> newest first */
    public function recent(string $accountId, JudgeKind $kind): array
    {
        return array_values(array_filter($this->em->getRepository(JudgeTry::class)->findBy(
            ['accountId' => $accountId, 'kind' => $kind], ['endedAt' => 'DESC'], self::RECENT,
        ), static fn (JudgeTry $one): bool => $one->isOver()));
    }
}
