<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A circuit is filled and its level never looked at: level-not-checked. */
final readonly class LevelNotChecked implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Fill) as $fill) {
            $looked = false;
            foreach (array_slice($run->sheet->steps, $run->sheet->placeOf($fill->id) + 1) as $step) {
                $looked = $looked || ($step->target->circuit === $fill->target->circuit && in_array(
                    $step->deed, [StepKind::Check, StepKind::Bleed, StepKind::Measure, StepKind::Book], true,
                ));
            }
            if (!$looked) {
                yield Finding::watch(
                    'level-not-checked', $fill->id, 'It is filled here and nobody looks at the level afterwards.',
                    'Add a look at the level.',
                );
            }
        }
    }
}
