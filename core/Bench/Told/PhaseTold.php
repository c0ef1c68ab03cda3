<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Told;

use NimbleKnuckle\Core\Plan\Phase;

/** A phase of a fit, planned against done: minutes of hands, steps. */
final readonly class PhaseTold
{
    public function __construct(
        public Phase $phase, public float $planned, public float $taken, public int $done, public int $skipped, public int $all,
    ) {
    }
}
