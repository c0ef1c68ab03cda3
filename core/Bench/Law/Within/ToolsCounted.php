<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A listed tool is not accounted for. */
final readonly class ToolsCounted implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $missing = $fit->toolsMissing($step);
        if ([] !== $missing) {
            yield Obstacle::reason(
                'tool-missing',
                1 === count($missing) ? sprintf('The %s is not accounted for.', $missing[0]) : sprintf(
                    '%d tools are not accounted for: %s.', count($missing), implode(', ', $missing),
                ),
                $step->id,
            );
        }
    }
}
