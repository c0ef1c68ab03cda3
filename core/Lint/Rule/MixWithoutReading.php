<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** The mix is to be worked out and what it needs is not measured before: mix-without-reading. */
final readonly class MixWithoutReading implements Rule
{
    public function inspect(Run $run): iterable
    {
        $asked = [];
        foreach ($run->sheet->steps as $step) {
            if ('coolant-mix' === $step->asking->sum) {
                foreach (['drained' => 'what was drained', 'strength_before' => 'the strength of what was in it'] as $field => $what) {
                    if (!isset($asked[$field])) {
                        yield Finding::stop(
                            'mix-without-reading', $step->id, sprintf('The mix is worked out here, and nobody measured %s.', $what),
                            'Add a step that measures it.',
                        );
                    }
                }
            }
            foreach ($step->asking->asks as $ask) {
                $asked[$ask->field] = true;
            }
        }
    }
}
