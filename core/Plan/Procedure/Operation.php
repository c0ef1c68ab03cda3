<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** One line of a procedure, vehicle-free: what it acts on is a role that the vehicle sheet fills. */
final readonly class Operation
{
    /** @param list<string> $tags facts the linter looks for, such as “flash” or “external-gate” */
    public function __construct(
        public string $id,
        public Deed $deed,
        public Aim $aim,
        public Words $words,
        public Slot $slot,
        public Needs $needs,
        public Asking $asking,
        public array $tags = [],
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('id'), $node->enum('do', Deed::class), Aim::read($node), Words::read($node, $node->string('title', '')),
            Slot::read($node), Needs::read($node), Asking::read($node), $node->strings('tags'),
        );
    }
}
