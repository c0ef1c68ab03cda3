<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Load;

/** What of the vehicle a step acts on, by id; empty where it acts on none. */
final readonly class Target
{
    public function __construct(
        public string $item = '',
        public string $joint = '',
        public string $circuit = '',
        public Load $load = new Load(),
    ) {
    }

    public static function read(Node $node): self
    {
        return new self($node->string('item', ''), $node->string('joint', ''), $node->string('circuit', ''), Load::read($node));
    }
}
