<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** What was put in for a while is out again. */
final readonly class TakenOut implements Fact
{
    public function __construct(public string $step, public string $thing)
    {
    }
}
