<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Something put in on purpose is still in, and this step would shut it in or be stopped by it. */
final readonly class InTheWayOut implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->state->inside as $put) {
            foreach ($fit->sheet->step($put->string('step'))->needs->puts ?? [] as $declared) {
                if ($declared->thing === $put->string('thing') && $declared->outBefore === $step->id) {
                    yield Obstacle::reason('still-in', sprintf('The %s is still in. Take it out first.', $declared->thing), $step->id);
                }
            }
        }
    }
}
