<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** What fell was found: which event told of it. */
final readonly class Found implements Fact
{
    public function __construct(public string $dropped)
    {
    }
}
