<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** The sheet ends with the vehicle still on stands: left-on-stands. */
final readonly class NotLowered implements Rule
{
    public function inspect(Run $run): iterable
    {
        $last = $run->sheet->steps[count($run->sheet->steps) - 1] ?? null;
        if ($run->end->raised && null !== $last) {
            yield Finding::watch(
                'left-on-stands', $last->id, 'The sheet ends with the vehicle on stands.',
                'Add a step on the floor, such as the drive.',
            );
        }
    }
}
