<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\Protects;

/** What keeps off heat or what turns is back before the first run, what holds the structure before it comes down, air before the drive. */
final readonly class GuardsBack implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $isDriven = StepKind::Drive === $step->deed;
        $isAsked = $isDriven || StepKind::Lower === $step->deed || Nature::runsEngine($step);
        foreach ($isAsked ? $ground->sheet->doing(StepKind::Remove) : [] as $off) {
            $item = $ground->vehicle->items[$off->target->item] ?? null;
            if (null === $item || $item->isWheel()) {
                continue;
            }
            $isWanted = match ($item->parting->protects) {
                Protects::Heat, Protects::Rotation => Nature::runsEngine($step),
                Protects::Structure => $isDriven || StepKind::Lower === $step->deed && self::isUnder($item),
                Protects::Air => $isDriven,
                Protects::Drip, Protects::Nothing => false,
            };
            if ($isWanted) {
                yield Row::lead('guard-off', Term::ask(Atom::Off, $item->id), sprintf(
                    'The %s is still off, and it %s.', $item->name, $item->parting->protects->does(),
                ), $ground->refit($step, $item->id));
            }
        }
    }

    /** What goes back from above can go back only once the vehicle is down. */
    private static function isUnder(Item $item): bool
    {
        return Position::Ground !== $item->access->position;
    }
}
