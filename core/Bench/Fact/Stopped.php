<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** The fit was put on hold or cancelled, and why. */
final readonly class Stopped implements Fact
{
    public function __construct(public string $kind, public string $reason)
    {
    }
}
