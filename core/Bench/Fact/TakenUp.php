<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A fit that was stopped is in hand again. */
final readonly class TakenUp implements Fact
{
    public function __construct()
    {
    }
}
