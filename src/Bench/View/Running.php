<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Sheet\Step;

/** A wait that runs by itself: minutes left, and the share of it that is over, from 0. */
final readonly class Running
{
    public function __construct(public Step $step, public float $left, public float $share)
    {
    }
}
