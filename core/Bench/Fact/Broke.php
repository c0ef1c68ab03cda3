<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A piece of a tray broke. */
final readonly class Broke implements Fact
{
    public function __construct(public string $step, public string $thing)
    {
    }
}
