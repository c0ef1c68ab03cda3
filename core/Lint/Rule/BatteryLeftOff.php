<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** The sheet ends with the battery disconnected, or asks for the ignition without it: battery-left-off. */
final readonly class BatteryLeftOff implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->moments as [$step, $rig]) {
            if (!$rig->battery && in_array('ignition', $step->tags, true)) {
                yield Finding::stop(
                    'battery-left-off', $step->id, 'The battery is still disconnected here.',
                    'Put the battery negative back on before this step.',
                );

                return;
            }
        }
        $last = $run->sheet->steps[count($run->sheet->steps) - 1] ?? null;
        if (!$run->end->battery && null !== $last) {
            yield Finding::stop(
                'battery-left-off', $last->id, 'The sheet ends with the battery disconnected.',
                'Add a step that puts the battery negative back on.',
            );
        }
    }
}
