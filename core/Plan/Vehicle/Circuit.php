<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** Something that must be closed again. Capacity in L, strengths in percent, cap pressure in kPa gauge. */
final readonly class Circuit
{
    /** @param list<string> $drainBehind ids of the items that must be off before it can be drained */
    public function __construct(
        public string $id,
        public string $role,
        public string $name,
        public float $capacity,
        public string $base,
        public string $family,
        public float $target,
        public float $product,
        public float $cap,
        public array $drainBehind,
        public string $note,
    ) {
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');
        $capacity = $node->float('capacity', 0.0);
        if ($capacity < 0 || $capacity > 200) {
            throw $node->refuse('capacity', 'a capacity of 0 to 200 L is needed.');
        }

        return new self(
            $id, $node->string('role', $id), $node->string('name'), $capacity, $node->string('base', ''), $node->string('family', ''),
            $node->float('target', 50.0), $node->float('product', 100.0), $node->float('cap', 0.0), $node->strings('drain_behind'), $node->string('note', ''),
        );
    }
}
