<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

/** One thing a lead looks at before signing: what, what was said about it, by whom and when. */
final readonly class ReviewEntry
{
    public function __construct(
        public ReviewKind $kind, public string $what, public string $said, public string $by, public ?\DateTimeImmutable $at,
        public string $step,
    ) {
    }
}
