<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\ClutchTrials;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A slip clutch that was not tried, or whose last trial lies outside its band. */
final readonly class StackInBand implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (!ClutchTrials::areTriedAt($step)) {
            return;
        }
        $trials = ClutchTrials::of($fit);
        $last = $trials?->last();
        if (null === $trials || null === $last) {
            yield Obstacle::reason('not-tried', 'No trial is kept yet.', $step->id);
        } elseif (!$trials->isInBand($last)) {
            yield Obstacle::reason('outside-band', sprintf(
                'The last trial slips at %s N·m bedded in, and %s N·m is wanted, give or take %s %%.', round($trials->bedded($last), 1),
                round($trials->wanted, 1), round(100 * $trials->band, 1),
            ), $step->id);
        }
    }
}
