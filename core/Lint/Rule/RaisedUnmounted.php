<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\State\Ledger;

/** The vehicle goes up or down while something is off its own mounts: raised-unmounted. */
final readonly class RaisedUnmounted implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Raise, StepKind::Lower) as [$step, $rig]) {
            $told = [] !== array_filter(
                $step->words->cautions, static fn (Caution $one): bool => $one->acknowledge && str_contains($one->text, 'hangs'),
            );
            foreach (Ledger::of($rig, $run->vehicle)->hanging() as $bearing) {
                $why = sprintf('The %s is off its own mounts here, and the vehicle moves.', $bearing->body);
                $mend = 'Do it before, or afterwards. Where there is no other order, say that it hangs and have that acknowledged.';
                yield $told ? Finding::watch('raised-unmounted', $step->id, $why, $mend) : Finding::stop(
                    'raised-unmounted', $step->id, $why, $mend,
                );
            }
        }
    }
}
