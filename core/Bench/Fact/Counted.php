<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** So many more of a thing were counted into a tray, or back out of it; fewer are negative. */
final readonly class Counted implements Fact
{
    public function __construct(public string $step, public string $thing, public int $by)
    {
    }
}
