<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Fasteners are short of their final mark. */
final readonly class FastenersFinal implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $left = Deed::Tighten === $step->deed ? $fit->boltsLeft($step->target->joint) : 0;
        if ($left > 0) {
            yield Obstacle::reason(
                'fasteners',
                sprintf('%d of %d fasteners are not at their final mark.', $left, $fit->vehicle->joints[$step->target->joint]->count()),
                $step->id,
            );
        }
    }
}
