<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** The vehicle is raised or something heavy is held without a caution that must be acknowledged: raised-without-caution. */
final readonly class RaisedWithoutCaution implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->steps as $step) {
            $must = [] !== array_filter($step->words->cautions, static fn (Caution $caution): bool => $caution->acknowledge);
            if (in_array($step->deed, [StepKind::Raise, StepKind::Hold, StepKind::HandOver, StepKind::BatteryOff], true) && !$must) {
                yield Finding::watch(
                    'raised-without-caution', $step->id,
                    sprintf('“%s” can hurt somebody and carries no caution to acknowledge.', $step->words->title), 'Give it one.',
                );
            }
        }
    }
}
