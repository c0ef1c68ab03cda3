<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** One answer of a reading that is looked at and not measured; one that is not good lies outside the reading's limits. */
final readonly class Choice
{
    public function __construct(public string $id, public string $label, public bool $isGood)
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->string('id'), $node->string('label'), !$node->bool('bad'));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'label' => $this->label] + ($this->isGood ? [] : ['bad' => true]);
    }
}
