<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A step that was closed or skipped is open again. */
final readonly class StepReopened implements Fact
{
    public function __construct(public string $step)
    {
    }
}
