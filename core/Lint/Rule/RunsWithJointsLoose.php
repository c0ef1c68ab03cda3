<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** The engine runs or the vehicle is driven while a joint is loose: runs-with-joints-loose. */
final readonly class RunsWithJointsLoose implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Start, StepKind::Drive) as [$step, $rig]) {
            foreach (array_keys($rig->loose) as $id) {
                $joint = $run->vehicle->joints[$id] ?? null;
                if (null !== $joint && !isset($rig->off[$joint->item])) {
                    yield Finding::stop(
                        'runs-with-joints-loose', $step->id,
                        sprintf('The engine runs here and the %s are not tight.', $joint->name), 'Tighten them before this step.',
                    );
                }
            }
        }
    }
}
