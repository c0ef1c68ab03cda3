<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Something fell and is not found yet; a piece of a tray, or anything. */
final readonly class Dropped implements Fact
{
    public function __construct(public string $what, public string $step = '', public string $thing = '')
    {
    }
}
