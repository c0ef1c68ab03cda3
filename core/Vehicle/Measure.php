<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** A measure of a part as it was written, with its unit, for holding a new one beside it: “height 48 mm”, “gap 0.7 to 0.8 mm”. */
final readonly class Measure
{
    private function __construct(public string $name, public string $figure)
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->string('name'), $node->string('figure'));
    }
}
