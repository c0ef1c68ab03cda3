<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/** A straight line through points by least squares: y = at + slope · x. */
final readonly class Line
{
    private function __construct(public float $at, public float $slope)
    {
    }

    /** @param list<array{float, float}> $points x, y; null where they do not make a line */
    public static function through(array $points): ?self
    {
        $n = count($points);
        if ($n < 2) {
            return null;
        }
        [$x, $y] = [array_sum(array_column($points, 0)) / $n, array_sum(array_column($points, 1)) / $n];
        $above = $below = 0.0;
        foreach ($points as [$px, $py]) {
            $above += ($px - $x) * ($py - $y);
            $below += ($px - $x) ** 2;
        }
        if ($below < 1e-12) {
            return null;
        }

        return new self($y - $above / $below * $x, $above / $below);
    }

    public function y(float $x): float
    {
        return $this->at + $this->slope * $x;
    }
}
