<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Body;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** No beam, gearbox or engine is moved while something rigid, or with less slack than it goes, ties it to what stays. */
final readonly class Untied implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $load = $step->target->load;
        $body = Deed::Move === $step->deed ? Body::tryFrom($load->body) : null;
        if (null === $body) {
            return;
        }
        foreach ($ground->vehicle->items as $item) {
            $between = $item->parting->between;
            if (!$between->holds($body) || !$between->holdsFast($load->mm)) {
                continue;
            }
            $joints = $ground->vehicle->jointsOf($item->id);
            $tied = Term::not(Term::any(Term::ask(Atom::Off, $item->id), ...array_map(
                static fn (Joint $joint): Term => Term::ask(Atom::Undone, $joint->id), $joints,
            )));
            $undo = array_merge(...array_map(
                static fn (Joint $joint): array => $ground->sheet->doing(Deed::Undo, '', $joint->id), $joints,
            ), ...[[]]);
            yield Row::lead('still-tied', $tied, $between->isShortFor($load->mm) ? sprintf(
                'The %s goes %s mm and the %s gives %s: free it first.', $load->body, $load->mm, $item->name, $between->slack,
            ) : sprintf('The %s still ties the %s.', $item->name, $load->body), ($undo[0] ?? null)->id ?? $ground->handling(
                Deed::Remove, $item->id, $step,
            ));
        }
    }
}
