<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** A circuit under pressure is opened before anyone made sure the engine is cold: hot-circuit. */
final readonly class HotCircuitOpened implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Drain, Deed::Open) as [$step, $rig]) {
            $circuit = $run->vehicle->circuits[$step->target->circuit] ?? null;
            if (null !== $circuit && $circuit->plumbing->cap > 0 && !$rig->cold) {
                yield Finding::stop(
                    'hot-circuit', $step->id,
                    sprintf('The %s is opened here and nothing before it makes sure the engine is cold.', $circuit->name),
                    'Check that it is cold first.',
                );
            }
        }
    }
}
