<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Something was put in on purpose for a while. */
final readonly class PutIn implements Fact
{
    public function __construct(public string $step, public string $thing)
    {
    }
}
