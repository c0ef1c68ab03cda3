<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

/** What stands for pieces that do not go back themselves: new ones, and ends that were capped for good or moved over. */
final readonly class InsteadOfPieces
{
    public function __construct(public int $fresh, public int $settled = 0)
    {
    }
}
