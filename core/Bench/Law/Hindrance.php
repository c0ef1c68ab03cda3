<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** One rule of the bench: what, if anything, stands in the way of a step as the fit is now. */
interface Hindrance
{
    /** @return iterable<Obstacle> */
    public function of(Fit $fit, Step $step): iterable;
}
