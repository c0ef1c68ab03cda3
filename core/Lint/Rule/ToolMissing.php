<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A step needs a tool that the kit does not hold: tool-missing. */
final readonly class ToolMissing implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->lists->tools as $pick) {
            if ($pick->missing) {
                yield Finding::watch(
                    'tool-missing', $pick->firstStep, sprintf('%s: %s.', $pick->name, $pick->note),
                    'Borrow or buy it before the job starts, or enter it in the kit.',
                );
            }
        }
    }
}
