<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;

/** How an item comes off and goes back: how long each takes, what is to be known of it, what parts on the way. */
final readonly class Handling
{
    /**
     * @param list<string> $tools what it needs beside the tools of its fasteners
     * @param list<Measure> $measures what a new one is held against
     */
    private function __construct(
        public Minutes $off, public Minutes $on, public string $removeNote, public string $refitNote, public array $tools,
        public array $measures, public Parting $parting,
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            Minutes::read($node, 'off'), Minutes::read($node, 'on'), $node->string('remove_note', ''), $node->string('refit_note', ''),
            $node->strings('tools'), $node->each('measures', Measure::read(...)), Parting::read($node),
        );
    }
}
