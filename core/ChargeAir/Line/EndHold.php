<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\HoseHold;

/** What one end of one hose holds against boost. */
final readonly class EndHold
{
    /** @param int $join its place in the line; @param int $side 0 before the hose, 1 after it */
    public function __construct(
        public int $join, public int $side, public string $name, public float $diameter, public bool $hasBead, public bool $isTied,
        public HoseHold $hold,
    ) {
    }
}
