<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Causes\CauseShelf;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\HiddenCause;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** A simulated vehicle with a hidden cause: checks are answered, what is mended shows whether it was that. */
final readonly class CausePractice
{
    private const RECENT = 8;
    /** Points a part that was changed for nothing costs, and those that minutes over the way of the table may cost. */
    private const PART = 25;
    private const TIME = 40;

    public function __construct(private EntityManagerInterface $em, private CauseShelf $causes, private ClockInterface $clock)
    {
    }

    /** The one that is open, or a new one of a complaint; of any where that is not said. */
    public function open(string $accountId, string $symptom = ''): CauseTry
    {
        $open = $this->em->getRepository(CauseTry::class)->findOneBy(['accountId' => $accountId, 'endedAt' => null]);
        $tables = $this->causes->all();
        if (null !== $open && isset($tables[$open->symptom]) && in_array($symptom, ['', $open->symptom], true)) {
            return $open;
        }
        if (null !== $open && [] === $open->made && [] === $open->changed) {
            $this->em->remove($open);
        } elseif (null !== $open) {
            // Given up: it counts for nothing.
            $open->endedAt = $this->clock->now();
        }
        $symptom = isset($tables[$symptom]) ? $symptom : (string) array_rand($tables);
        $try = new CauseTry((string) new Ulid(), $accountId, $symptom, random_int(1, 2_000_000_000), $this->clock->now());
        $this->em->persist($try);
        $this->em->flush();

        return $try;
    }

    public function find(string $id, string $accountId): ?CauseTry
    {
        $try = $this->em->find(CauseTry::class, $id);

        return null !== $try && $try->accountId === $accountId && isset($this->causes->all()[$try->symptom]) ? $try : null;
    }

    public function table(CauseTry $try): CauseTable
    {
        return $this->causes->all()[$try->symptom];
    }

    public function hidden(CauseTry $try): HiddenCause
    {
        return new HiddenCause($this->table($try), $try->seed);
    }

    public function check(CauseTry $try, string $check): void
    {
        if (!$try->isOver() && isset($this->table($try)->checks[$check]) && !in_array($check, $try->made, true)) {
            $try->made = [...$try->made, $check];
            $this->em->flush();
        }
    }

    public function mend(CauseTry $try, string $cause): void
    {
        if ($try->isOver() || !isset($this->table($try)->names[$cause]) || in_array($cause, $try->changed, true)) {
            return;
        }
        $try->changed = [...$try->changed, $cause];
        if ($cause === $this->hidden($try)->cause) {
            [$try->score, $try->endedAt] = [$this->score($try), $this->clock->now()];
        }
        $this->em->flush();
    }

    /** Minutes of the checks that were made. */
    public function minutes(CauseTry $try): float
    {
        $checks = $this->table($try)->checks;

        return array_sum(array_map(static fn (string $one): float => $checks[$one]->minutes ?? 0.0, $try->made));
    }

    /** @return list<CauseTry> newest first */
    public function recent(string $accountId): array
    {
        return array_values(array_filter($this->em->getRepository(CauseTry::class)->findBy(
            ['accountId' => $accountId], ['endedAt' => 'DESC'], self::RECENT,
        ), static fn (CauseTry $one): bool => $one->isOver()));
    }

    private function score(CauseTry $try): int
    {
        $way = max(1.0, $this->hidden($try)->way()['minutes']);
        $over = max(0.0, $this->minutes($try) / $way - 1);

        return max(0, 100 - self::PART * (count($try->changed) - 1) - (int) round(min(self::TIME, self::TIME * $over)));
    }
}
