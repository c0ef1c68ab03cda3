<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** When something is to be changed: months, and km; 0 where nobody says. */
final readonly class ServiceInterval
{
    public function __construct(public int $months = 0, public float $km = 0.0)
    {
    }

    public static function read(Node $node): self
    {
        return new self($node->int('every_months', 0), $node->float('every_km', 0.0));
    }
}
