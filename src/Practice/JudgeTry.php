<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use Doctrine\ORM\Mapping as ORM;

/** One thing a person judged by eye: what it was, what was said, how it was scored. */
#[ORM\Entity]
#[ORM\Table(name: 'judge_try')]
#[ORM\Index(name: 'judge_try_of', columns: ['account_id', 'kind', 'ended_at'])]
class JudgeTry
{
    /** @param list<string> $reasons */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 26)]
        public readonly string $accountId,
        #[ORM\Column(length: 20, enumType: JudgeKind::class)]
        public readonly JudgeKind $kind,
        #[ORM\Column]
        public readonly int $seed,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $begunAt,
        #[ORM\Column(length: 20)]
        public string $called = '',
        #[ORM\Column]
        public int $score = 0,
        #[ORM\Column(type: 'json')]
        public array $reasons = [],
        #[ORM\Column(type: 'datetime_immutable', nullable: true)]
        public ?\DateTimeImmutable $endedAt = null,
    ) {
    }

    public function shown(): PracticeCase
    {
        return Judging::shown($this->kind, $this->seed);
    }

    public function isOver(): bool
    {
        return null !== $this->endedAt;
    }
}
