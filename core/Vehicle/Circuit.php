<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** Something that must be closed again: what it is called, how much it holds (L), what is in it, how it is laid, when it is changed. */
final readonly class Circuit
{
    public function __construct(
        public string $id,
        public string $role,
        public string $name,
        public string $note,
        public float $capacity,
        public CoolantSpec $blend,
        public Plumbing $plumbing,
        public ServiceInterval $every = new ServiceInterval(),
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
            $id, $node->string('role', $id), $node->string('name'), $node->string('note', ''), $capacity, CoolantSpec::read($node),
            Plumbing::read($node), ServiceInterval::read($node),
        );
    }
}
