<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use Doctrine\ORM\Mapping as ORM;
use NimbleKnuckle\Core\Trace\Exercise;
use NimbleKnuckle\Core\Trace\Fault;

/** One joint a person practised on: what was pulled, what was called, how it was scored. */
#[ORM\Entity]
#[ORM\Table(name: 'practice_try')]
class PracticeTry
{
    /**
     * @param array{seed: int} $joint
     * @param list<array{float, float, float}> $samples
     * @param array{angle: float, ms: float, jerked: bool} $hand
     * @param list<string> $reasons
     */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 26)]
        public readonly string $accountId,
        #[ORM\Column(type: 'json')]
        public readonly array $joint,
        #[ORM\Column(length: 20, enumType: Fault::class)]
        public readonly Fault $fault,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $begunAt,
        #[ORM\Column(type: 'json')]
        public array $samples = [],
        #[ORM\Column(type: 'json')]
        public array $hand = ['angle' => 0.0, 'ms' => 0.0, 'jerked' => false],
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

    public function exercise(): Exercise
    {
        return Exercise::drawn($this->joint['seed']);
    }

    public function isOver(): bool
    {
        return null !== $this->endedAt;
    }

    public function calledFault(): ?Fault
    {
        return Fault::tryFrom($this->called);
    }
}
