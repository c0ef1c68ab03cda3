<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

use NimbleKnuckle\Core\Document\Node;

/** A line of the pick list: what, how much, from which step on, and whether the workshop has it. */
final readonly class Pick
{
    public function __construct(
        public string $name, public string $amount, public string $firstStep, public bool $missing, public string $note,
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('name'), $node->string('amount', ''), $node->string('first_step', ''), $node->bool('missing'),
            $node->string('note', ''),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'name' => $this->name, 'amount' => $this->amount, 'first_step' => $this->firstStep, 'missing' => $this->missing,
            'note' => $this->note,
        ];
    }
}
