<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/** The circle through edge points: the least sum of squares of what they lie off it. mm. Begun with Kåsa, then Gauss and Newton. */
final readonly class CircleFit
{
    private const ROUNDS = 30;

    private function __construct(public float $x, public float $y, public float $radius)
    {
    }

    /**
     * @param list<array{float, float}> $points three or more
     *
     * @throws \DomainException where they lie on a line
     */
    public static function of(array $points): self
    {
        $n = count($points);
        [$mx, $my] = [array_sum(array_column($points, 0)) / $n, array_sum(array_column($points, 1)) / $n];
        $sxx = $sxy = $syy = $sxz = $syz = $sz = 0.0;
        foreach ($points as [$px, $py]) {
            [$x, $y] = [$px - $mx, $py - $my];
            $z = $x * $x + $y * $y;
            [$sxx, $sxy, $syy] = [$sxx + $x * $x, $sxy + $x * $y, $syy + $y * $y];
            [$sxz, $syz, $sz] = [$sxz + $x * $z, $syz + $y * $z, $sz + $z];
        }
        $whole = $sxx * $syy - $sxy * $sxy;
        $whole > 1e-12 * ($sxx + $syy) ** 2 || throw new \DomainException('They lie on a line.');
        [$x, $y] = [($sxz * $syy - $syz * $sxy) / (2 * $whole), ($syz * $sxx - $sxz * $sxy) / (2 * $whole)];
        $circle = new self($mx + $x, $my + $y, sqrt($x * $x + $y * $y + $sz / $n));
        for ($round = 0; $round < self::ROUNDS && $n > 3; ++$round) {
            $next = $circle->nearer($points);
            $isThere = hypot($next->x - $circle->x, $next->y - $circle->y) < 1e-12 * $next->radius;
            $circle = $next;
            if ($isThere) {
                break;
            }
        }

        return $circle;
    }

    /** @param list<array{float, float}> $points */
    private function nearer(array $points): self
    {
        // Unknown are x, y and the radius: the normal equations of what each point lies off.
        $m = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        $right = [0.0, 0.0, 0.0];
        foreach ($points as [$px, $py]) {
            $away = max(1e-12, hypot($px - $this->x, $py - $this->y));
            $row = [($this->x - $px) / $away, ($this->y - $py) / $away, -1.0];
            foreach ($row as $i => $one) {
                $right[$i] -= $one * ($away - $this->radius);
                for ($j = 0; $j < 3; ++$j) {
                    $m[$i][$j] += $one * $row[$j];
                }
            }
        }
        $whole = self::volume($m[0], $m[1], $m[2]);
        if (abs($whole) < 1e-12) {
            return $this;
        }

        return new self(
            $this->x + self::volume($right, $m[1], $m[2]) / $whole, $this->y + self::volume($m[0], $right, $m[2]) / $whole,
            $this->radius + self::volume($m[0], $m[1], $right) / $whole,
        );
    }

    /**
     * Of three rows; the matrix is symmetric, so that a row stands for its column.
     *
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @param array{float, float, float} $c
     */
    private static function volume(array $a, array $b, array $c): float
    {
        return $a[0] * ($b[1] * $c[2] - $b[2] * $c[1]) - $a[1] * ($b[0] * $c[2] - $b[2] * $c[0]) + $a[2] * ($b[0] * $c[1] - $b[1] * $c[0]);
    }
}
