<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A caution that can hurt somebody has not been acknowledged. */
final readonly class CautionsRead implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($step->words->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                yield Obstacle::never('caution', 'Acknowledge the caution first.', $step->id);

                return;
            }
        }
    }
}
