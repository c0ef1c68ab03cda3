<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** Something was taken off and never goes back: cover-left-off. */
final readonly class ItemNotRefitted implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->end->off as $item => $step) {
            $name = $run->vehicle->items[$item]->name ?? $item;
            yield Finding::stop(
                'cover-left-off', $step, sprintf('The %s comes off here and never goes back.', $name),
                sprintf('Add a step that refits the %s.', $name),
            );
        }
    }
}
