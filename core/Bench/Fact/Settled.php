<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** One end of a part does not go back: it was capped for good, or moved over to the new part, and why. */
final readonly class Settled implements Fact
{
    public const CAPPED = 'capped';
    public const MOVED = 'moved';
    public const HOW = [self::CAPPED => 'capped for good', self::MOVED => 'moved over'];

    public function __construct(public string $step, public string $thing, public string $how, public string $reason)
    {
    }
}
