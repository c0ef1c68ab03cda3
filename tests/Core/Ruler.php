<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core;

/** Curves drawn with a ruler: straight from corner to corner, so that it is known beforehand what has to be read off them. */
final readonly class Ruler
{
    /**
     * Each corner, and between them points about so far apart.
     *
     * @param list<array{float, float}> $corners
     *
     * @return non-empty-list<array{float, float}>
     */
    public static function along(array $corners, float $every = 1.0): array
    {
        $points = [$corners[0] ?? [0.0, 0.0]];
        for ($i = 1, $n = count($corners); $i < $n; ++$i) {
            [[$x, $y], [$toX, $toY]] = [$corners[$i - 1], $corners[$i]];
            $steps = max(1, (int) round(abs($toX - $x) / $every));
            for ($k = 1; $k <= $steps; ++$k) {
                $points[] = [$x + ($toX - $x) * $k / $steps, $y + ($toY - $y) * $k / $steps];
            }
        }

        return $points;
    }

    /**
     * The height at a place, level before the first corner and after the last.
     *
     * @param non-empty-list<array{float, float}> $corners
     */
    public static function at(array $corners, float $place): float
    {
        foreach ($corners as $i => [$x, $y]) {
            if ($place <= $x) {
                [$fromX, $fromY] = $corners[max(0, $i - 1)];

                return $x > $fromX ? $fromY + ($y - $fromY) * ($place - $fromX) / ($x - $fromX) : $y;
            }
        }

        return $corners[count($corners) - 1][1];
    }
}
