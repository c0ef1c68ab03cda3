<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Bind;

use NimbleKnuckle\Core\Plan\Phase;

/** The operations that will be done, each once, and how the procedures they came from go through them. */
final readonly class Resolved
{
    /**
     * @param list<BoundOperation> $bound in the order they will be done, but for the strip
     * @param array<string, string> $kept operation => the operation that stands for it
     * @param array<string, list<string>> $chains procedure => its operations in its own order
     */
    public function __construct(public array $bound, public array $kept, public array $chains)
    {
    }

    /** @return array<string, list<string>> operation => the procedures it is done for */
    public function owners(): array
    {
        $owners = [];
        foreach ($this->chains as $job => $line) {
            foreach ($line as $id) {
                $owners[$id][] = (string) $job;
            }
        }

        return $owners;
    }

    public function standsFor(string $operation): string
    {
        return $this->kept[$operation] ?? $operation;
    }

    /** @return list<BoundOperation> */
    public function in(Phase $phase): array
    {
        return array_values(array_filter($this->bound, static fn (BoundOperation $b): bool => $b->operation->slot->phase === $phase));
    }
}
