<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** The vehicle or something heavy is moved while something flows by itself and is not waited for: moves-while-it-runs. */
final readonly class MovesWhileItRuns implements Rule
{
    public function inspect(Run $run): iterable
    {
        $running = [];
        foreach ($run->sheet->steps as $step) {
            $running = array_filter($running, static fn ($one): bool => $one->slot->until !== $step->id);
            foreach (Nature::moves($step) ? $running : [] as $one) {
                yield Finding::stop(
                    'moves-while-it-runs', $step->id, sprintf('“%s” still runs here.', $one->words->title),
                    'Wait until it has run out, and move then.',
                );
            }
            if (Nature::streams($step)) {
                $running[] = $step;
            }
        }
    }
}
