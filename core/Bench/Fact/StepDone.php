<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A step was closed; over what stood in its way, with a reason. */
final readonly class StepDone implements Fact
{
    public function __construct(public string $step, public string $reason = '')
    {
    }
}
