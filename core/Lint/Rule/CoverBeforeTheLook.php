<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Protects;

/** A fluid was opened, and a drip cover goes back before anybody has looked for leaks: cover-before-look. */
final readonly class CoverBeforeTheLook implements Rule
{
    public function inspect(Run $run): iterable
    {
        $isOpened = false;
        foreach ($run->sheet->steps as $step) {
            $isOpened = $isOpened || in_array($step->deed, [StepKind::Drain, StepKind::Open], true);
            $isLook = StepKind::Leaks === $step->deed || StepKind::Start === $step->deed && Phase::Prove === $step->slot->phase;
            if ($isOpened && $isLook) {
                return;
            }
            $item = StepKind::Refit === $step->deed ? $run->vehicle->items[$step->target->item] ?? null : null;
            if ($isOpened && Protects::Drip === $item?->parting->protects && self::isLookedLater($run, $step)) {
                yield Finding::watch(
                    'cover-before-look', $step->id, sprintf('The %s goes back before anybody has looked for leaks over it.', $item->name),
                    'Have it back after the look, while the vehicle is still up.',
                );
            }
        }
    }

    private static function isLookedLater(Run $run, Step $step): bool
    {
        foreach (array_slice($run->sheet->steps, $run->sheet->placeOf($step->id) + 1) as $later) {
            if (StepKind::Leaks === $later->deed || StepKind::Start === $later->deed) {
                return true;
            }
        }

        return false;
    }
}
