<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** What goes in for a while has not been counted in. */
final readonly class PutInCounted implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($step->needs->puts as $put) {
            $key = $step->id.' '.$put->thing;
            if (!isset($fit->state->inside[$key]) && !isset($fit->state->everInside[$key])) {
                yield Obstacle::reason('not-put-in', sprintf('Mark that the %s is in.', $put->thing), $step->id);
            }
        }
    }
}
