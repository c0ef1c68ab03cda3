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

/** A weight is let down while what carries it is off or loose. */
final readonly class SafeToRelease implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Release !== $step->deed) {
            return;
        }
        $planned = $ground->planned($step);
        $body = $step->target->load->body;
        foreach (array_diff_key($ground->vehicle->items, $planned->off) as $id => $item) {
            if ($item->dangers->carries === $body) {
                yield Row::lead(
                    'carrier-off', Term::ask(Atom::Off, $id), sprintf('The %s that carries the %s is off.', $item->name, $body),
                    $ground->refit($step, $id),
                );
            }
        }
        foreach (array_diff_key($ground->loose(), $planned->loose) as $id => $isLoose) {
            $joint = $ground->vehicle->joints[$id];
            if (($ground->vehicle->items[$joint->item] ?? null)?->dangers->carries === $body) {
                $said = Term::say('%s: %s not tight, and they carry the %s.', ucfirst($joint->name), Term::ask(Atom::Left, $id), $body);
                yield Row::lead('carrier-loose', $isLoose, $said, $ground->tighten($step, $id));
            }
        }
    }
}
