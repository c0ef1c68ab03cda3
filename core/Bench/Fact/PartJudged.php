<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A part goes back in, or a new one does, and what it was judged by. */
final readonly class PartJudged implements Fact
{
    public function __construct(
        public string $part, public string $name, public string $verdict, public string $by, public float $value = 0.0,
        public float $least = 0.0, public float $most = 0.0, public string $reason = '',
    ) {
    }
}
