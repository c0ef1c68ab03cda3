<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** An earlier event was taken back. */
final readonly class Undone implements Fact
{
    public function __construct(public string $event)
    {
    }
}
