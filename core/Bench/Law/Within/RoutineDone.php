<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The fill routine is not at its end. */
final readonly class RoutineDone implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $run = $fit->routine($step);
        if (null !== $run && !$run->isAtItsEnd()) {
            yield Obstacle::reason(
                'routine', $run->isBegun() ? sprintf('The routine is at “%s”.', $run->stage()->title) : 'The routine is not begun.',
                $step->id,
            );
        }
    }
}
