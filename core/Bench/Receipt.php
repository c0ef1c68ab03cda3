<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/** How an event reached the server: when, from which tablet, and how long it lay there unsent, in s. */
final readonly class Receipt
{
    public function __construct(public \DateTimeImmutable $at, public string $device = '', public float $waited = 0.0)
    {
    }
}
