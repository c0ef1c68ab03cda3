<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Support\Ledger;

/** The vehicle goes up or down while something stands on a jack: raised-on-jack. */
final readonly class RaisedOnFloorSupport implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(Deed::Raise, Deed::Lower) as [$step, $rig]) {
            foreach (Ledger::of($rig, $run->vehicle)->bodies as $bearing) {
                $support = $bearing->onTheFloor();
                if (null !== $support) {
                    yield Finding::stop(
                        'raised-on-jack', $step->id,
                        sprintf('The %s stands on a %s here, and the vehicle moves.', $bearing->body, $support->label()),
                        sprintf(
                            'Bolt the %s to its mounts and take the support away, or hand it over to a support bar first.',
                            $bearing->body,
                        ),
                    );
                }
            }
        }
    }
}
