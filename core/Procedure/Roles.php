<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** The roles a vehicle sheet must fill for a procedure, and the procedures it cannot be planned with: they change the same part. */
final readonly class Roles
{
    /**
     * @param list<string> $items
     * @param list<string> $joints
     * @param list<string> $circuits
     * @param list<string> $notWith
     */
    public function __construct(public array $items, public array $joints, public array $circuits, public array $notWith)
    {
    }

    /** @param list<string> $notWith */
    public static function read(Node $node, array $notWith): self
    {
        return new self($node->strings('items'), $node->strings('joints'), $node->strings('circuits'), $notWith);
    }
}
