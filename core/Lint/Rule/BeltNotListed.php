<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Pick;

/** A pulley needs another belt and none is listed: belt-not-listed. */
final readonly class BeltNotListed implements Rule
{
    public function inspect(Run $run): iterable
    {
        $step = $run->end->tagged['needs-other-belt'] ?? null;
        $belts = array_filter($run->sheet->lists->parts, static fn (Pick $part): bool => str_contains(mb_strtolower($part->name), 'belt'));
        if (null !== $step && [] === $belts) {
            yield Finding::stop(
                'belt-not-listed', $step, 'This pulley needs a belt of another length, and no belt stands on the parts list.',
                'List the belt with its length.',
            );
        }
    }
}
