<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** The engine is started while a circuit stands open: started-before-filled. */
final readonly class StartedBeforeFilled implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Start, StepKind::Drive) as [$step, $rig]) {
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
