<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** How the level of a circuit is read: by what, and so many minutes after the engine is off. */
final readonly class LevelRead
{
    public const BY = ['marks', 'stick', 'sender', 'dry-sump', 'plug'];

    private function __construct(public string $by, public float $after)
    {
    }

    public static function read(Node $node): self
    {
        $by = $node->string('by');
        in_array($by, self::BY, true) || throw $node->refuse('by', sprintf('“%s” is none of %s.', $by, implode(', ', self::BY)));

        return new self($by, BoundedNumber::within($node, 'after', 0.0, 240.0));
    }
}
