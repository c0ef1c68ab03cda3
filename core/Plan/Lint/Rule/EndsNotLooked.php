<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Compiler\EndsLook;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** Something that guards the start was unplugged, and no step of the sheet looks it over before the engine runs: ends-not-looked. */
final readonly class EndsNotLooked implements Rule
{
    public function inspect(Run $run): iterable
    {
        $parted = '';
        foreach (null === $run->ground->tagged(EndsLook::TAG) ? $run->sheet->steps : [] as $step) {
            if ('' !== $parted && in_array($step->deed, [Deed::Start, Deed::Drive], true)) {
                yield Finding::stop(
                    'ends-not-looked', $step->id, sprintf('The %s was off, and nothing looks over what was unplugged.', $parted),
                    'Add a step that looks it over by name.',
                );

                return;
            }
            $item = Deed::Remove === $step->deed ? $run->vehicle->items[$step->target->item] ?? null : null;
            $parted = '' === $parted && [] !== ($item?->parting->guards() ?? []) ? $item->name ?? '' : $parted;
        }
    }
}
