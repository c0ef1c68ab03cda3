<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** The roles a vehicle sheet must fill for a procedure. */
final readonly class Roles
{
    /**
     * @param list<string> $items
     * @param list<string> $joints
     * @param list<string> $circuits
     */
    public function __construct(public array $items, public array $joints, public array $circuits)
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->strings('items'), $node->strings('joints'), $node->strings('circuits'));
    }
}
