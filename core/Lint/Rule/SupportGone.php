<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\State\Ledger;

/** The last support goes while a mount is still off: support-gone. */
final readonly class SupportGone implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Release) as [$step, $rig]) {
            $body = $step->target->load->body;
            $after = Ledger::of($rig->after($step), $run->vehicle)->bodies[$body] ?? null;
            if (null !== $after && [] === $after->supports && $after->hasMountOff()) {
                yield Finding::stop(
                    'support-gone', $step->id, sprintf('The %s loses its support here: %s.', $body, $after->said()),
                    'Put the mount in first, or let a second support take the weight.',
                );
            }
        }
    }
}
