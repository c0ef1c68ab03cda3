<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** What carries a weight comes off, or a weight is moved, and nothing holds it. */
final readonly class WeightHeld implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $body = match ($step->deed) {
            Deed::Remove => $ground->vehicle->items[$step->target->item]->dangers->carries ?? '',
            Deed::Move => $step->target->load->body,
            default => '',
        };
        if ('' !== $body) {
            yield Row::lead(
                Deed::Move === $step->deed ? 'moved-unheld' : 'weight-unsupported', Term::not(Term::ask(Atom::Held, $body)),
                sprintf('Nothing holds the %s yet.', $body),
                $ground->nearest($step, Deed::Hold)->id,
            );
        }
    }
}
