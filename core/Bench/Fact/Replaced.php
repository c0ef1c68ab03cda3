<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A new piece took the place of one of a tray. */
final readonly class Replaced implements Fact
{
    public function __construct(public string $step, public string $thing)
    {
    }
}
