<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** A consumable or part with its amount, and for a part whether it must be new. */
final readonly class Supply
{
    public function __construct(public string $name, public string $amount, public string $state = '')
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->string('name'), $node->string('amount', '1'), $node->string('state', ''));
    }

    /** @return array{name: string, amount: string, state: string} */
    public function toArray(): array
    {
        return ['name' => $this->name, 'amount' => $this->amount, 'state' => $this->state];
    }
}
