<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Figure;

/** Two statements of one torque: they agree where what each was written to, widened a little, overlaps. */
final readonly class Statements
{
    /** Each statement is widened by this share before the two are compared. */
    public const WIDENING = 0.01;

    public static function agree(Figure $a, Figure $b): bool
    {
        return self::overlap($a->lowest(), $a->highest(), $b->lowest(), $b->highest());
    }

    /** From low to high, the one and the other. */
    public static function overlap(float $low1, float $high1, float $low2, float $high2): bool
    {
        [$down, $up] = [1 - self::WIDENING, 1 + self::WIDENING];

        return $low1 * $down <= $high2 * $up && $low2 * $down <= $high1 * $up;
    }
}
