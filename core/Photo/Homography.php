<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/**
 * From a photo onto the plane of the marks: pixels in, mm out. By the normalised direct linear transformation; of more than four marks
 * the one with the least squares. Source: Hartley and Zisserman, Multiple View Geometry, 4.4.
 */
final readonly class Homography
{
    private const ROUNDS = 6;
    /** Of the largest pivot, under which the marks hold no plane. */
    private const FLAT = 1e-9;

    /** @param non-empty-list<float> $h nine numbers, row by row */
    private function __construct(private array $h)
    {
    }

    /**
     * @param non-empty-list<array{float, float, float, float}> $marks px, px, mm, mm; four or more
     *
     * @throws \DomainException where three of four lie on a line, or all of more
     */
    public static function of(array $marks): self
    {
        [$from, $seen] = self::normal(array_map(static fn (array $one): array => [$one[0], $one[1]], $marks));
        [$to, $true] = self::normal(array_map(static fn (array $one): array => [$one[2], $one[3]], $marks));
        $sum = array_fill(0, 9, array_fill(0, 9, 0.0));
        foreach ($seen as $i => [$x, $y]) {
            [$u, $v] = $true[$i];
            $rows = [[-$x, -$y, -1.0, 0.0, 0.0, 0.0, $u * $x, $u * $y, $u], [0.0, 0.0, 0.0, -$x, -$y, -1.0, $v * $x, $v * $y, $v]];
            foreach ($rows as $row) {
                foreach ($row as $a => $one) {
                    for ($b = 0; $b < 9; ++$b) {
                        $sum[$a][$b] += $one * $row[$b];
                    }
                }
            }
        }
        $h = self::least($sum);
        // Back out of the normalised numbers: T⁻¹ H S.
        [$scale, $left, $top] = $to;
        $back = [1 / $scale, 0.0, $left, 0.0, 1 / $scale, $top, 0.0, 0.0, 1.0];
        [$size, $x, $y] = $from;

        return new self(self::times(self::times($back, $h), [$size, 0.0, -$size * $x, 0.0, $size, -$size * $y, 0.0, 0.0, 1.0]));
    }

    /** @return array{float, float} mm */
    public function at(float $x, float $y): array
    {
        $w = $this->w($x, $y);

        return [($this->h[0] * $x + $this->h[1] * $y + $this->h[2]) / $w, ($this->h[3] * $x + $this->h[4] * $y + $this->h[5]) / $w];
    }

    /** Of one sign on this side of the horizon. */
    public function w(float $x, float $y): float
    {
        $w = $this->h[6] * $x + $this->h[7] * $y + $this->h[8];

        return 0.0 === $w ? 1e-300 : $w;
    }

    /**
     * Moved and scaled so that they lie about nothing, √2 away in the mean.
     *
     * @param non-empty-list<array{float, float}> $points
     *
     * @return array{array{float, float, float}, non-empty-list<array{float, float}>}
     */
    private static function normal(array $points): array
    {
        [$x, $y] = [array_sum(array_column($points, 0)) / count($points), array_sum(array_column($points, 1)) / count($points)];
        $away = array_sum(array_map(static fn (array $one): float => hypot($one[0] - $x, $one[1] - $y), $points)) / count($points);
        $away > 0.0 || throw new \DomainException('All marks lie on one spot.');
        $scale = \M_SQRT2 / $away;

        return [[$scale, $x, $y], array_map(static fn (array $one): array => [$scale * ($one[0] - $x), $scale * ($one[1] - $y)], $points)];
    }

    /**
     * The vector that belongs to the least eigenvalue, by inverse iteration.
     *
     * @param array<int, array<int, float>> $matrix symmetric, 9 by 9
     *
     * @return non-empty-list<float>
     */
    private static function least(array $matrix): array
    {
        $trace = array_sum(array_map(static fn (int $i): float => $matrix[$i][$i], range(0, 8)));
        for ($i = 0; $i < 9; ++$i) {
            $matrix[$i][$i] += 1e-15 * $trace;
        }
        [$lower, $order, $pivots] = self::parted($matrix);
        rsort($pivots);
        // One pivot is nothing, for the answer itself; a second one is a plane that is not held.
        $pivots[7] > self::FLAT * $pivots[0] || throw new \DomainException('The marks hold no plane.');
        $vector = array_fill(0, 9, 1.0);
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $vector = self::solved($lower, $order, $vector);
            $length = sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $vector)));
            $vector = array_map(static fn (float $one): float => $one / $length, $vector);
        }

        return $vector;
    }

    /**
     * LU with pivots.
     *
     * @param array<int, array<int, float>> $m
     *
     * @return array{array<int, array<int, float>>, array<int, int>, array<int, float>}
     */
    private static function parted(array $m): array
    {
        [$order, $pivots] = [range(0, 8), []];
        for ($k = 0; $k < 9; ++$k) {
            $best = $k;
            for ($i = $k + 1; $i < 9; ++$i) {
                $best = abs($m[$i][$k]) > abs($m[$best][$k]) ? $i : $best;
            }
            [$m[$k], $m[$best], $order[$k], $order[$best]] = [$m[$best], $m[$k], $order[$best], $order[$k]];
            $pivots[] = abs($m[$k][$k]);
            $m[$k][$k] = 0.0 === $m[$k][$k] ? 1e-300 : $m[$k][$k];
            for ($i = $k + 1; $i < 9; ++$i) {
                $m[$i][$k] /= $m[$k][$k];
                for ($j = $k + 1; $j < 9; ++$j) {
                    $m[$i][$j] -= $m[$i][$k] * $m[$k][$j];
                }
            }
        }

        return [$m, $order, $pivots];
    }

    /**
     * @param array<int, array<int, float>> $m
     * @param array<int, int> $order
     * @param non-empty-list<float> $right
     *
     * @return non-empty-list<float>
     */
    private static function solved(array $m, array $order, array $right): array
    {
        $x = array_map(static fn (int $from): float => $right[$from] ?? 0.0, $order);
        for ($i = 1; $i < 9; ++$i) {
            for ($j = 0; $j < $i; ++$j) {
                $x[$i] -= $m[$i][$j] * $x[$j];
            }
        }
        for ($i = 8; $i >= 0; --$i) {
            for ($j = $i + 1; $j < 9; ++$j) {
                $x[$i] -= $m[$i][$j] * $x[$j];
            }
            $x[$i] /= $m[$i][$i];
        }

        return array_values($x) ?: [0.0];
    }

    /**
     * @param non-empty-list<float> $a three by three
     * @param non-empty-list<float> $b
     *
     * @return non-empty-list<float>
     */
    private static function times(array $a, array $b): array
    {
        $product = [];
        for ($i = 0; $i < 9; ++$i) {
            [$row, $column] = [3 * intdiv($i, 3), $i % 3];
            $product[] = $a[$row] * $b[$column] + $a[$row + 1] * $b[$column + 3] + $a[$row + 2] * $b[$column + 6];
        }

        return $product;
    }
}
