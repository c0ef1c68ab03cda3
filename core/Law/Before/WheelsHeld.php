<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A wheel is broken loose on the ground, the vehicle comes down on all of them, and there they are tightened. */
final readonly class WheelsHeld implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $item = $ground->vehicle->items[$step->target->item] ?? null;
        $joint = $ground->vehicle->joints[$step->target->joint] ?? null;
        if (StepKind::Lower === $step->deed) {
            yield from self::stillOff($ground, $step);
        } elseif (StepKind::Remove === $step->deed && true === $item?->isWheel()) {
            $fasteners = $ground->vehicle->wheelFasteners($item->id);
            if (null === $fasteners) {
                return;
            }
            foreach ($ground->sheet->doing(StepKind::Undo, '', $fasteners->id) as $loosen) {
                yield Row::reason(
                    'wheel-not-loosened', Term::not(Term::ask(Atom::Closed, $loosen->id)),
                    sprintf('The %s are still tight, and the vehicle is up.', $fasteners->name), $loosen->id,
                );
            }
        } elseif (StepKind::Tighten === $step->deed && true === $joint?->holdsAWheel()) {
            yield Row::lead(
                'wheel-in-the-air', Term::ask(Atom::Raised), 'A wheel gets its figure on the ground, and the vehicle is on its stands.',
                $ground->nearest($step, StepKind::Lower)->id,
            );
        }
    }

    /** @return iterable<Row> */
    private static function stillOff(Ground $ground, Step $step): iterable
    {
        foreach ($ground->sheet->doing(StepKind::Remove) as $remove) {
            $wheel = $ground->vehicle->items[$remove->target->item] ?? null;
            if (true === $wheel?->isWheel()) {
                yield Row::lead(
                    'wheel-off', Term::all(Nature::movesNow($step), Term::ask(Atom::Off, $wheel->id)),
                    sprintf('The %s is off, and the vehicle comes down.', $wheel->name),
                    $ground->refit($step, $wheel->id),
                );
            }
        }
    }
}
