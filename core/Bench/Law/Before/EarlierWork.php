<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Nature;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The engine runs, or is looked over for leaks, while work that stands before it is open. */
final readonly class EarlierWork implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (!Nature::runsEngine($step) && Deed::Leaks !== $step->deed) {
            return;
        }
        foreach ($fit->earlier($step) as $earlier) {
            if (Nature::isWork($earlier) && !$fit->state->isClosed($earlier->id)) {
                yield Obstacle::reason('earlier-work', sprintf('“%s” is not done.', $earlier->words->title), $earlier->id);
            }
        }
    }
}
