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
use NimbleKnuckle\Core\Vehicle\ItemKind;

/** A circuit is filled that was not drained, or while its parts are off or loose. */
final readonly class ReadyToFill implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Fill !== $step->deed && StepKind::Bleed !== $step->deed && '' === $step->asking->routine) {
            return;
        }
        foreach ($ground->sheet->doing(StepKind::Drain, '', '', $step->target->circuit) as $drain) {
            yield Row::reason(
                'not-drained', Term::not(Term::ask(Atom::Closed, $drain->id)), sprintf('“%s” is not done.', $drain->words->title),
                $drain->id,
            );
        }
        $planned = $ground->planned($step);
        foreach (array_reverse($ground->sheet->doing(StepKind::Remove)) as $remove) {
            $item = $ground->vehicle->items[$remove->target->item] ?? null;
            if (ItemKind::Part === $item?->kind && !isset($planned->off[$item->id])) {
                yield Row::reason(
                    'part-off', Term::ask(Atom::Off, $item->id), sprintf('The %s is still off.', $item->name),
                    $ground->refit($step, $item->id),
                );
            }
        }
        foreach (array_diff_key($ground->loose(), $planned->loose) as $id => $isLoose) {
            yield Row::reason('joint-loose', $isLoose, Term::say(
                '%s: %s not tight.', ucfirst($ground->vehicle->joints[$id]->name), Term::ask(Atom::Left, $id),
            ), $ground->tighten($step, $id));
        }
    }
}
