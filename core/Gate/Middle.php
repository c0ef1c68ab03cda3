<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/** The middle of some readings: half lie above, half below. In the unit of the readings. */
final readonly class Middle
{
    /** @param array<array-key, float> $values nothing comes to 0 */
    public static function of(array $values): float
    {
        sort($values);
        $n = count($values);

        return 0 === $n ? 0.0 : ($values[intdiv($n - 1, 2)] + $values[intdiv($n, 2)]) / 2;
    }
}
