<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Somebody has seen that a curve asks for the engine to be stopped. */
final readonly class StopSeen implements Fact
{
    public function __construct(public string $step, public string $reading)
    {
    }
}
