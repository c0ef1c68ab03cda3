<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Position;

/** Something to do in the strip, and what must be done before it. */
final readonly class Task
{
    /** @param list<string> $after ids of tasks */
    public function __construct(public string $id, public Position $position, public array $after, public bool $passive = false)
    {
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
