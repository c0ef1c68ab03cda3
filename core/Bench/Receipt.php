<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/** How an event reached the server: when, from which tablet, how long it lay there unsent, in s; and who brought it in a file. */
final readonly class Receipt
{
    public function __construct(
        public \DateTimeImmutable $at, public string $device = '', public float $waited = 0.0, public string $via = '',
    ) {
    }
}
