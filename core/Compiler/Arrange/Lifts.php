<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Arrange;

use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Sheet\Step;

/** How often the vehicle goes up or down for steps in an order. */
final readonly class Lifts
{
    /**
     * How many moves these steps need, from the ground.
     *
     * @param list<Step> $steps
     */
    public static function needed(array $steps): int
    {
        $up = false;
        $moves = 0;
        foreach ($steps as $step) {
            if (self::isElsewhere($step, $up)) {
                $up = !$up;
                ++$moves;
            }
        }

        return $moves + ($up ? 1 : 0);
    }

    public static function isElsewhere(Step $step, bool $up): bool
    {
        return Position::Any !== $step->slot->position && $up !== (Position::Ground !== $step->slot->position);
    }
}
