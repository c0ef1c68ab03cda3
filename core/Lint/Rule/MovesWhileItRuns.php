<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Law\Before\NobodyUnder;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Sheet\Finding;

/**
 * The vehicle or something heavy is moved while something flows by itself and is not waited for: moves-while-it-runs. Somebody is
 * under it while the engine runs: under-while-it-runs.
 */
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
            foreach (Nature::isUnder($step) ? $running : [] as $one) {
                if (Nature::runsEngine($one)) {
                    yield Finding::stop(
                        NobodyUnder::CODE, $step->id,
                        sprintf('The engine runs for “%s”, and this is under the vehicle.', $one->words->title),
                        'Stop the engine first, or do it from where nobody is under it.',
                    );
                }
            }
            if (Nature::streams($step)) {
                $running[] = $step;
            }
        }
    }
}
