<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** Two steps carry one id, so their marks would mix: step-twice. */
final readonly class StepTwice implements Rule
{
    public function inspect(Run $run): iterable
    {
        $seen = [];
        foreach ($run->sheet->steps as $step) {
            if (isset($seen[$step->id])) {
                yield Finding::stop(
                    'step-twice', $step->id, sprintf('The step “%s” stands on the sheet twice.', $step->words->title),
                    'Give one of them another id.',
                );
            }
            $seen[$step->id] = true;
        }
    }
}
