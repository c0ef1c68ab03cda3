<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Support\Ledger;

/** A mount comes off while another of the same body is off still, or the body is moved while a mount of it is bolted. */
final readonly class MountsInTurn implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $carries = $fit->vehicle->items[$step->target->item]->dangers->carries ?? '';
        if (Deed::Remove === $step->deed && '' !== $carries) {
            foreach ($fit->vehicle->carriers()[$carries] as $other) {
                if ($other->id !== $step->target->item && isset($fit->actual()->off[$other->id])) {
                    yield Obstacle::lead(
                        'mounts-both-out', sprintf('The %s is out. It goes in before this one comes out.', $other->name),
                        $fit->nearest($step, Deed::Refit)->id,
                    );
                }
            }
        }
        $bearing = Deed::Move === $step->deed
            ? Ledger::of($fit->actual(), $fit->vehicle)->bodies[$step->target->load->body] ?? null
            : null;
        if (null !== $bearing && $bearing->isBolted()) {
            yield Obstacle::lead(
                'moved-while-mounted', sprintf('The %s is still bolted: %s.', $bearing->body, $bearing->said()),
                $fit->nearest($step, Deed::Undo)->id,
            );
        }
    }
}
