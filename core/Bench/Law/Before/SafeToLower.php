<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The vehicle comes down while a jack under it still holds a weight. */
final readonly class SafeToLower implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach (Deed::Lower === $step->deed ? array_keys($fit->actual()->held) : [] as $body) {
            if (!isset($fit->rigs()->planned($step)->held[$body])) {
                yield Obstacle::lead(
                    'still-held', sprintf('The %s is still on its support.', $body), $fit->nearest($step, Deed::Release)->id,
                );
            }
        }
    }
}
