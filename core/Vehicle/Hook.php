<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** A lifting hook of an engine: where it is in mm, and what it is rated for in kg; 0 is not known. */
final readonly class Hook
{
    public function __construct(public string $name, public float $x, public float $y, public float $rating)
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->string('name'), $node->float('x'), $node->float('y'), $node->float('rating', 0.0));
    }
}
