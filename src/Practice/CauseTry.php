<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use Doctrine\ORM\Mapping as ORM;

/** One hidden cause a person looked for: the checks that were made, the parts that were changed, how it was scored. */
#[ORM\Entity]
#[ORM\Table(name: 'cause_try')]
#[ORM\Index(name: 'cause_try_of', columns: ['account_id', 'ended_at'])]
class CauseTry
{
    /**
     * @param list<string> $made checks, in their order
     * @param list<string> $changed causes that were mended, in their order
     */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 26)]
        public readonly string $accountId,
        #[ORM\Column(length: 60)]
        public readonly string $symptom,
        #[ORM\Column]
        public readonly int $seed,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $begunAt,
        #[ORM\Column(type: 'json')]
        public array $made = [],
        #[ORM\Column(type: 'json')]
        public array $changed = [],
        #[ORM\Column]
        public int $score = 0,
        #[ORM\Column(type: 'datetime_immutable', nullable: true)]
        public ?\DateTimeImmutable $endedAt = null,
    ) {
    }

    public function isOver(): bool
    {
        return null !== $this->endedAt;
    }
}
