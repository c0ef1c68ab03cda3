<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** What carries a weight comes off, or a weight is moved, and nothing holds it. */
final readonly class WeightHeld implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $item = $fit->vehicle->items[$step->target->item] ?? null;
        $body = match (true) {
            Deed::Remove === $step->deed && null !== $item => $item->dangers->carries,
            Deed::Move === $step->deed => $step->target->load->body,
            default => '',
        };
        if ('' !== $body && !isset($fit->actual()->held[$body])) {
            yield Obstacle::lead('weight-unsupported', sprintf('Nothing holds the %s yet.', $body), $fit->nearest($step, Deed::Hold)->id);
        }
    }
}
