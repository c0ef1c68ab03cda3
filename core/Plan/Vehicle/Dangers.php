<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;

/** What can hurt at an item: cautions, what hangs on it (engine, gearbox), what makes touching it dangerous (battery). */
final readonly class Dangers
{
    /**
     * @param list<Caution> $cautions
     * @param list<string> $hazards
     * @param string $wet the circuit it is part of: it runs out where it comes off before that is drained; empty for none
     */
    public function __construct(public array $cautions, public string $carries, public array $hazards, public string $wet = '')
    {
    }

    public static function read(Node $node): self
    {
        return new self(
            Caution::readList($node, 'cautions'), $node->string('carries', ''), $node->strings('hazards'), $node->string('wet', ''),
        );
    }
}
