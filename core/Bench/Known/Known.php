<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;

/** What vehicle sheet and bench know for the sum of a step: each trade answers for its own sums. */
final readonly class Known
{
    /** @return array<string, string|float|null> field of the sum => what is known, a number in the base unit of its kind */
    public static function of(Step $step, Fit $fit): array
    {
        return LiftingSums::known($step, $fit) ?? TurningSums::known($step, $fit) ?? BoostSums::known($step, $fit)
            ?? ClutchSums::known($step, $fit) ?? SparkSums::known($step, $fit) ?? FluidSums::known($step, $fit) ?? [];
    }
}
