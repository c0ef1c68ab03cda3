<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Place;
use NimbleKnuckle\Core\Plan\Position;

/** From where an item is reached, at which side of the vehicle, and which items must be off first, by id. */
final readonly class Access
{
    /** @param list<string> $behind */
    public function __construct(public Position $position, public array $behind, public Place $place = Place::Anywhere)
    {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->enum('position', Position::class), $node->strings('behind'), $node->enum('place', Place::class, Place::Anywhere),
        );
    }
}
