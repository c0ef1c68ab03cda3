<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** What carries a weight comes off, or a weight is moved, and nothing holds it. */
final readonly class WeightHeld implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $body = match ($step->deed) {
            StepKind::Remove => $ground->vehicle->items[$step->target->item]->dangers->carries ?? '',
            StepKind::Move => $step->target->load->body,
            default => '',
        };
        if ('' !== $body) {
            yield Row::lead(
                StepKind::Move === $step->deed ? 'moved-unheld' : 'weight-unsupported', Term::not(Term::ask(Atom::Held, $body)),
                sprintf('Nothing holds the %s yet.', $body),
                $ground->nearest($step, StepKind::Hold)->id,
            );
        }
    }
}
