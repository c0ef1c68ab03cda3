<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A wait that this step needs to be over is open or running. */
final readonly class WaitsOver implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->sheet->steps as $wait) {
            if ($wait->slot->passive && $wait->slot->until === $step->id && !$fit->state->isClosed($wait->id)) {
                yield Obstacle::reason('wait-open', sprintf('“%s” is not finished.', $wait->words->title), $wait->id);
            }
        }
    }
}
