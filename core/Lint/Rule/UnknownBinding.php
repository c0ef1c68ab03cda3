<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A step acts on an item, joint or circuit the vehicle does not have: unknown-binding. */
final readonly class UnknownBinding implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->steps as $step) {
            foreach ([[$step->target->item, $run->vehicle->items, 'item'], [
                $step->target->joint, $run->vehicle->joints, 'joint',
            ], [$step->target->circuit, $run->vehicle->circuits, 'circuit']] as [$id, $known, $kind]) {
                if ('' !== $id && !isset($known[$id])) {
                    yield Finding::stop(
                        'unknown-binding', $step->id,
                        sprintf('This step acts on the %s “%s”, which the vehicle sheet does not have.', $kind, $id),
                        'Enter it there, or compile the sheet again.',
                    );
                }
            }
        }
    }
}
