<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** The internal wastegate is locked and no external gate is in the plan: gate-locked. */
final readonly class GateLocked implements Rule
{
    public function inspect(Run $run): iterable
    {
        $tagged = $run->end->tagged;
        if (isset($tagged['internal-gate-locked']) && !isset($tagged['external-gate'])) {
            yield Finding::stop(
                'gate-locked', $tagged['internal-gate-locked'], 'The internal gate is locked here, and nothing else limits boost.',
                'Do not lock it without an external gate in the same plan.',
            );
        }
    }
}
