<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Support\Ledger;

/** Something is moved that its own mounts still hold: moved-while-mounted. */
final readonly class MovedWhileMounted implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Move) as [$step, $rig]) {
            $body = $step->target->load->body;
            $bearing = Ledger::of($rig, $run->vehicle)->bodies[$body] ?? null;
            if (null !== $bearing && $bearing->isBolted()) {
                yield Finding::stop(
                    'moved-while-mounted', $step->id, sprintf('The %s is moved here and still bolted: %s.', $body, $bearing->said()),
                    'Undo each of its mounts before this step.',
                );
            }
        }
    }
}
