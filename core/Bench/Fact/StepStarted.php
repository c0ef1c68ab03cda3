<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A step that runs by itself was set going. */
final readonly class StepStarted implements Fact
{
    public function __construct(public string $step, public string $reason = '')
    {
    }
}
