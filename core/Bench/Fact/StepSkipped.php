<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A step was left out, and why. */
final readonly class StepSkipped implements Fact
{
    public function __construct(public string $step, public string $reason)
    {
    }
}
