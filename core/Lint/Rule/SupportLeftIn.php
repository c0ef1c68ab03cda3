<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A support is still in when the vehicle is driven or the sheet ends: support-left-in. */
final readonly class SupportLeftIn implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Drive) as [$step, $rig]) {
            $held = $rig->held;
            if ([] !== $held) {
                yield Finding::stop(
                    'support-left-in', $step->id, sprintf('The %s is still on its support here.', array_key_first($held)),
                    'Take the support away before this step.',
                );

                return;
            }
        }
        foreach ($run->end->held as $body => $step) {
            yield Finding::stop(
                'support-left-in', $step, sprintf('The support of the %s is never taken away.', $body),
                'Add a step that lets the weight down and takes the support away.',
            );
        }
    }
}
