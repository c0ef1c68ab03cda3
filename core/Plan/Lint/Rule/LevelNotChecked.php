<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** A circuit is filled and its level never looked at: level-not-checked. */
final readonly class LevelNotChecked implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(Deed::Fill) as $fill) {
            $looked = false;
            foreach (array_slice($run->sheet->steps, $run->sheet->placeOf($fill->id) + 1) as $step) {
                $looked = $looked || ($step->target->circuit === $fill->target->circuit && in_array(
                    $step->deed, [Deed::Check, Deed::Bleed, Deed::Measure, Deed::Book], true,
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
