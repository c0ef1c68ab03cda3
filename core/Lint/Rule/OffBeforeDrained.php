<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** Part of a circuit comes off while the circuit is full: off-before-drained. */
final readonly class OffBeforeDrained implements Rule
{
    public function inspect(Run $run): iterable
    {
        $drained = [];
        foreach ($run->sheet->steps as $step) {
            $drained[$step->target->circuit] = StepKind::Drain === $step->deed
                || (StepKind::Fill !== $step->deed && ($drained[$step->target->circuit] ?? false));
            $item = $run->vehicle->items[$step->target->item] ?? null;
            $wet = $item->dangers->wet ?? '';
            if (StepKind::Remove === $step->deed && '' !== $wet && !($drained[$wet] ?? false)) {
                yield Finding::stop(
                    'off-before-drained', $step->id,
                    sprintf('The %s comes off here, and the %s is still full.', $item->name ?? '', $run->vehicle->circuits[$wet]->name),
                    'Drain the circuit first.',
                );
            }
        }
    }
}
