<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A sum was pinned to a step, with what was put in and what it said. */
final readonly class SumPinned implements Fact
{
    public function __construct(
        public string $step, public string $sum, public string $query, public string $said, public string $verdict,
    ) {
    }
}
