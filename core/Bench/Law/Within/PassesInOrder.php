<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Fasteners were pulled out of order or out of pass, and that pass has not been done again. */
final readonly class PassesInOrder implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach (Deed::Tighten === $step->deed ? $fit->passFaults($step->target->joint) : [] as $fault) {
            yield Obstacle::reason('pass-order', $fault.' Do that pass again.', $step->id);
        }
    }
}
