<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A stage of a fill routine was begun. */
final readonly class StageBegun implements Fact
{
    public function __construct(public string $step, public string $stage, public string $reason = '')
    {
    }
}
