<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** What came off, fell, broke, is new and went back does not add up. */
final readonly class PiecesAddUp implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach (Deed::Remove === $step->deed || Deed::Refit === $step->deed ? $fit->pieces()->ofTray($step) : [] as $count) {
            if (Deed::Remove === $step->deed && !$count->cameOffWhole()) {
                yield Obstacle::reason(
                    'tray-count',
                    sprintf(
                        '%s: %d of %d accounted for. Count them, or say what fell or broke.', ucfirst($count->thing), $count->off(),
                        $count->expected,
                    ),
                    $step->id,
                );
            } elseif (Deed::Refit === $step->deed && !$count->wentBackWhole()) {
                yield Obstacle::reason('tray-count', sprintf('%s: %s.', ucfirst($count->thing), $count->inWords()), $step->id);
            }
        }
    }
}
