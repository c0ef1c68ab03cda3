<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Vehicle\ItemKind;

/** The engine runs or the vehicle is driven with parts or plugs still off: runs-with-parts-off. */
final readonly class RunsWithPartsOff implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Start, Deed::Drive) as [$step, $rig]) {
            foreach (array_keys($rig->off) as $id) {
                $item = $run->vehicle->items[$id] ?? null;
                if (null !== $item && ItemKind::Cover !== $item->kind) {
                    yield Finding::stop(
                        'runs-with-parts-off', $step->id, sprintf('The engine runs here with the %s still off.', $item->name),
                        sprintf('Refit the %s before this step.', $item->name),
                    );
                }
            }
        }
    }
}
