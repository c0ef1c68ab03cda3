<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;

/** How an item comes off and goes back: how long each takes, and what is to be known of it. */
final readonly class Handling
{
    /** @param list<string> $tools what it needs beside the tools of its fasteners */
    public function __construct(
        public Minutes $off, public Minutes $on, public string $removeNote, public string $refitNote, public array $tools = [],
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            Minutes::read($node, 'off'), Minutes::read($node, 'on'), $node->string('remove_note', ''), $node->string('refit_note', ''),
            $node->strings('tools'),
        );
    }
}
