<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A loose end was let be, as it stood then, and why. */
final readonly class Waived implements Fact
{
    public function __construct(public string $end, public string $reason, public string $as = '')
    {
    }
}
