<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Bench\Photo\Pictures;
use NimbleKnuckle\Core\Plan\Procedure\Shot;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The picture that proves the step has not been taken. */
final readonly class PictureTaken implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (Shot::Proof === (new Pictures($fit))->wanted($step)) {
            yield Obstacle::reason('no-picture', 'A picture proves this step: take it.', $step->id);
        }
    }
}
