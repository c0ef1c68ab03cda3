<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Something earlier in the line is open. That is noted and stops nobody. */
final readonly class LineOrder implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->earlier($step) as $earlier) {
            if (!$fit->state->isClosed($earlier->id) && !$fit->runsByItself($earlier)) {
                yield Obstacle::noted('line-order', sprintf('“%s” comes before it in the line.', $earlier->words->title), $earlier->id);

                return;
            }
        }
    }
}
