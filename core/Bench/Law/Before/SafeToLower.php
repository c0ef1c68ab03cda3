<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Support\Ledger;

/** The vehicle goes up or down while a support holds a weight that the sheet has back on its mounts by then, or one stands on the floor. */
final readonly class SafeToLower implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (Deed::Lower !== $step->deed && Deed::Raise !== $step->deed) {
            return;
        }
        foreach (Ledger::of($fit->actual(), $fit->vehicle)->bodies as $body => $bearing) {
            $isPlanned = isset($fit->rigs()->planned($step)->held[$body]) && null === $bearing->onTheFloor();
            if ([] !== $bearing->supports && !$isPlanned) {
                yield Obstacle::lead(
                    'still-held', sprintf('The %s is still on its %s.', $body, $bearing->supports[0]->label()),
                    $fit->nearest($step, Deed::Release)->id,
                );
            }
        }
    }
}
