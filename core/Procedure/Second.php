<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** What a second person does at a step, and how it is done where there is none. */
final readonly class Second
{
    public function __construct(public string $does = '', public string $alone = '')
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->string('does', ''), $node->string('alone', ''));
    }

    public function isNone(): bool
    {
        return '' === $this->does.$this->alone;
    }

    /** As it is said to so many. */
    public function said(int $people): string
    {
        return match (true) {
            $this->isNone() => '',
            $people > 1 => sprintf('The second person %s.', $this->does),
            '' === $this->alone => sprintf('It takes a second person, who %s.', $this->does),
            default => sprintf('Alone: %s.', $this->alone),
        };
    }
}
