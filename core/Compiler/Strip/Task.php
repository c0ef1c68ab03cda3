<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Strip;

use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;

/** Something to do in the strip, and what must be done before it; some of it stands by until a wait is over. */
final readonly class Task
{
    /** @param list<string> $after ids of tasks */
    public function __construct(
        public string $id, public Position $position, public array $after, public bool $passive = false,
        public Side $side = Side::Anywhere, public bool $standsBy = false,
    ) {
    }

    public function canBeDoneAt(WorkPlace $spot): bool
    {
        return $this->canBeDoneIn($spot->position) && (Side::Anywhere === $this->side || $spot->side === $this->side);
    }

    /** Not before that wait is over: other work goes first. */
    public function standingBy(string $wait): self
    {
        $after = array_values(array_unique([...$this->after, $wait]));

        return new self($this->id, $this->position, $after, $this->passive, $this->side, true);
    }

    /** The lowest is taken first of what can be done: what runs by itself, then work, then what stands by. */
    public function rank(): int
    {
        return $this->passive ? 0 : ($this->standsBy ? 2 : 1);
    }

    /** @param list<string> $after */
    public function waitingFor(array $after): self
    {
        $all = array_values(array_unique([...$this->after, ...$after]));

        return new self($this->id, $this->position, $all, $this->passive, $this->side, $this->standsBy);
    }

    public function canBeDoneIn(Position $position): bool
    {
        return Position::Any === $this->position || $position === $this->position;
    }

    /** @param array<string, true> $done */
    public function isFree(array $done): bool
    {
        foreach ($this->after as $id) {
            if (!isset($done[$id])) {
                return false;
            }
        }

        return true;
    }
}
