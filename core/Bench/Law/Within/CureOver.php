<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A compound has not had its time. */
final readonly class CureOver implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $left = Deed::Wait === $step->deed && $step->slot->passive ? $fit->waitLeftNow($step) : 0.0;
        if ($left > 0.0) {
            yield Obstacle::reason('cure', sprintf('It has not had its time: about %d min to go.', (int) ceil($left)), $step->id);
        }
    }
}
