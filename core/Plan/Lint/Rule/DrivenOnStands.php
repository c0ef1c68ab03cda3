<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** It is driven while it stands on stands: driven-on-stands. */
final readonly class DrivenOnStands implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Drive) as [$step, $rig]) {
            if ($rig->raised) {
                yield Finding::stop(
                    'driven-on-stands', $step->id, 'It is driven here, and it still stands on stands.',
                    'Lower it before this step.',
                );
            }
        }
    }
}
