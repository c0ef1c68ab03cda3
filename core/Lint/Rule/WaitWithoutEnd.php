<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A wait names a step that is not on the sheet or comes before it: wait-without-end. */
final readonly class WaitWithoutEnd implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->steps as $step) {
            $until = $step->slot->passive ? $step->slot->until : '';
            if ('' !== $until && $run->sheet->placeOf($until) <= $run->sheet->placeOf($step->id)) {
                yield Finding::watch(
                    'wait-without-end', $step->id,
                    sprintf('“%s” runs by itself, and the step that waits for it does not come after it.', $step->words->title),
                    'Name a later step that needs it to be over.',
                );
            }
        }
    }
}
