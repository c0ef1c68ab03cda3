<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

/** Pieces that broke: before their removal was closed, and after it. */
final readonly class BrokenPieces
{
    public function __construct(public int $early = 0, public int $late = 0)
    {
    }
}
