<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Protects;

/** A fluid was opened, and a drip cover goes back before anybody has looked for leaks: cover-before-look. */
final readonly class CoverBeforeTheLook implements Rule
{
    public function inspect(Run $run): iterable
    {
        $isOpened = false;
        foreach ($run->sheet->steps as $step) {
            $isOpened = $isOpened || in_array($step->deed, [Deed::Drain, Deed::Open], true);
            $isLook = Deed::Leaks === $step->deed || Deed::Start === $step->deed && Phase::Prove === $step->slot->phase;
            if ($isOpened && $isLook) {
                return;
            }
            $item = Deed::Refit === $step->deed ? $run->vehicle->items[$step->target->item] ?? null : null;
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
        $looks = array_filter($run->sheet->steps, static fn (Step $one): bool => in_array($one->deed, [Deed::Leaks, Deed::Start], true)
            && $run->sheet->placeOf($one->id) > $run->sheet->placeOf($step->id));

        return [] !== $looks;
    }
}
