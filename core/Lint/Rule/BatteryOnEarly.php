<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Vehicle\Joint;

/** The battery goes back on while something live is off, or its fasteners are loose: battery-on-early. */
final readonly class BatteryOnEarly implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::BatteryOn) as [$step, $rig]) {
            $live = [];
            foreach ($run->vehicle->items as $item) {
                $isOpen = isset($rig->off[$item->id]) || [] !== array_filter(
                    $run->vehicle->jointsOf($item->id), static fn (Joint $joint): bool => isset($rig->loose[$joint->id]),
                );
                if ($isOpen && in_array('battery', $item->dangers->hazards, true)) {
                    $live[] = $item->name;
                }
            }
            if ([] !== $live) {
                yield Finding::stop(
                    'battery-on-early', $step->id, sprintf('The battery goes on here, and the %s is not done.', implode(', the ', $live)),
                    'Refit and tighten it first.',
                );
            }
        }
    }
}
