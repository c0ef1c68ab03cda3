<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Nature;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Something under pressure is opened and nothing says that it is cold. */
final readonly class ColdEnough implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $opens = Deed::Remove !== $step->deed && Nature::opens($fit, $step);
        if ($opens && !$fit->actual()->cold && $fit->rigs()->planned($step)->cold) {
            yield Obstacle::lead(
                'hot-circuit', 'Nothing says yet that the engine is cold.', $fit->nearest($step, Deed::Cold, Deed::CoolDown)->id,
            );
        }
    }
}
