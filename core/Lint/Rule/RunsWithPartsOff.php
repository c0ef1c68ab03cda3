<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Vehicle\ItemKind;

/** The engine runs or the vehicle is driven with parts or plugs still off: runs-with-parts-off. */
final readonly class RunsWithPartsOff implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Start, StepKind::Drive) as [$step, $rig]) {
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
