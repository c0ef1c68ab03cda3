<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** The engine runs or the vehicle is driven while a joint is loose: runs-with-joints-loose. */
final readonly class RunsWithJointsLoose implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Start, Deed::Drive) as [$step, $rig]) {
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
