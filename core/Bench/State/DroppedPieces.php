<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

/** Pieces that fell: before their removal was closed, after it, and those of the first that were found after it. */
final readonly class DroppedPieces
{
    public function __construct(public int $early = 0, public int $late = 0, public int $found = 0)
    {
    }
}
