<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Compiler\Moves;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** The engine is started on stands and the step does not say so: started-on-stands. */
final readonly class StartedOnStands implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Start) as [$step, $rig]) {
            if ($rig->raised && !in_array(Moves::TAG, $step->tags, true)) {
                yield Finding::stop(
                    'started-on-stands', $step->id, 'The engine is started here on stands, and the step does not say so.',
                    'Lower it before this step, or say in the step that it stands on stands.',
                );
            }
        }
    }
}
