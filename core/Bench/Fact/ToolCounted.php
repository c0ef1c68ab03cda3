<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A tool was accounted for. */
final readonly class ToolCounted implements Fact
{
    public function __construct(public string $step, public string $tool)
    {
    }
}
