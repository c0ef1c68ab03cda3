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
use NimbleKnuckle\Core\Vehicle\Body;
use NimbleKnuckle\Core\Vehicle\Joint;

/** No beam, gearbox or engine is moved while something rigid, or with less slack than it goes, ties it to what stays. */
final readonly class Untied implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $load = $step->target->load;
        $body = StepKind::Move === $step->deed ? Body::tryFrom($load->body) : null;
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
                static fn (Joint $joint): array => $ground->sheet->doing(StepKind::Undo, '', $joint->id), $joints,
            ), ...[[]]);
            yield Row::lead('still-tied', $tied, $between->isShortFor($load->mm) ? sprintf(
                'The %s goes %s mm and the %s gives %s: free it first.', $load->body, $load->mm, $item->name, $between->slack,
            ) : sprintf('The %s still ties the %s.', $item->name, $load->body), ($undo[0] ?? null)->id ?? $ground->handling(
                StepKind::Remove, $item->id, $step,
            ));
        }
    }
}
