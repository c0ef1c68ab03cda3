<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A circuit is opened and never filled: circuit-not-filled. */
final readonly class CircuitNotFilled implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->end->open as $circuit => $step) {
            $name = $run->vehicle->circuits[$circuit]->name ?? $circuit;
            yield Finding::stop(
                'circuit-not-filled', $step, sprintf('The %s is opened here and never filled.', $name),
                'Add a fill, and a check of the level after it.',
            );
        }
    }
}
