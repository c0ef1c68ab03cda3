<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** The sheet works with things of a starter sheet, or of a copied one, that nobody has seen on this vehicle: not-checked. */
final readonly class NotChecked implements Rule
{
    public function inspect(Run $run): iterable
    {
        $vehicle = $run->vehicle;
        $seen = [];
        foreach ([] === $vehicle->toCheck ? [] : $run->sheet->steps as $step) {
            $things = [
                'items' => $vehicle->items[$step->target->item] ?? null, 'joints' => $vehicle->joints[$step->target->joint] ?? null,
                'circuits' => $vehicle->circuits[$step->target->circuit] ?? null,
            ];
            foreach ($things as $kind => $thing) {
                if (null === $thing || isset($seen[$kind.$thing->id]) || $vehicle->isChecked($kind, $thing->id)) {
                    continue;
                }
                $seen[$kind.$thing->id] = true;
                yield Finding::watch(
                    'not-checked', $step->id, sprintf('Nobody has checked on this vehicle: %s.', $thing->name),
                    'Look at it, then mark it as checked on the vehicle sheet.',
                );
            }
        }
    }
}
