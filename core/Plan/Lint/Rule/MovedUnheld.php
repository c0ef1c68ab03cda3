<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** Something heavy is moved that nothing holds: moved-unheld. */
final readonly class MovedUnheld implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Move) as [$step, $rig]) {
            if (!isset($rig->held[$step->target->load->body])) {
                yield Finding::stop(
                    'moved-unheld', $step->id, sprintf('The %s is moved here and nothing holds it.', $step->target->load->body),
                    sprintf('Support the %s before this step.', $step->target->load->body),
                );
            }
        }
    }
}
