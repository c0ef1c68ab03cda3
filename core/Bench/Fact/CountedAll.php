<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** All of a tray was counted at once. */
final readonly class CountedAll implements Fact
{
    public function __construct(public string $step)
    {
    }
}
