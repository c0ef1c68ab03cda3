<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** The engine is started while a circuit stands open: started-before-filled. */
final readonly class StartedBeforeFilled implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Start, Deed::Drive) as [$step, $rig]) {
            foreach (array_keys($rig->open) as $circuit) {
                $name = $run->vehicle->circuits[$circuit]->name ?? $circuit;
                yield Finding::stop(
                    'started-before-filled', $step->id, sprintf('The engine runs here while the %s is still open.', $name),
                    'Fill and close it before the first start.',
                );
            }
        }
    }
}
