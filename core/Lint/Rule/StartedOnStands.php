<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Tag;

/** The engine is started on stands and the step does not say so: started-on-stands. */
final readonly class StartedOnStands implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Start) as [$step, $rig]) {
            if ($rig->raised && !in_array(Tag::ON_STANDS, $step->tags, true)) {
                yield Finding::stop(
                    'started-on-stands', $step->id, 'The engine is started here on stands, and the step does not say so.',
                    'Lower it before this step, or say in the step that it stands on stands.',
                );
            }
        }
    }
}
