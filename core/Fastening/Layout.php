<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fastening;

use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * Where the fasteners of a joint sit, in a plane seen from the head side; x to the right, y down, numbered as on the card.
 */
final readonly class Layout
{
    /** @param non-empty-list<array{float, float}> $points */
    private function __construct(public string $shape, public array $points)
    {
    }

    /** A ring of n on a unit circle, number 1 at the top, clockwise. */
    public static function ring(int $n): self
    {
        $points = [];
        for ($i = 0; $i < self::counted($n); ++$i) {
            $angle = 2 * \M_PI * $i / $n - \M_PI / 2;
            $points[] = [round(cos($angle), 6), round(sin($angle), 6)];
        }

        return new self('ring', [] === $points ? [[0.0, 0.0]] : $points);
    }

    public static function line(int $n): self
    {
        return self::grid(1, $n, 'line');
    }

    public static function grid(int $rows, int $columns, string $shape = 'grid'): self
    {
        self::counted($rows * $columns);
        $points = [];
        for ($r = 0; $r < $rows; ++$r) {
            for ($c = 0; $c < $columns; ++$c) {
                $points[] = [(float) $c, (float) $r];
            }
        }

        return new self($shape, [] === $points ? [[0.0, 0.0]] : $points);
    }

    /** @param list<array{float, float}> $points */
    public static function points(array $points): self
    {
        self::counted(count($points));

        return new self('points', [] === $points ? [[0.0, 0.0]] : $points);
    }

    /**
     * “ring 3”, “line 4”, “grid 2x5”, or a list of points.
     *
     * @throws InvalidInput
     */
    public static function parse(mixed $value, string $field = 'layout'): self
    {
        if (is_array($value)) {
            $points = [];
            foreach ($value as $point) {
                if (!is_array($point) || !isset($point[0], $point[1]) || !is_numeric($point[0]) || !is_numeric($point[1])) {
                    throw InvalidInput::in($field, 'Points are pairs of numbers: [[0,0],[40,0],[20,30]].');
                }
                $points[] = [(float) $point[0], (float) $point[1]];
            }

            return self::points($points);
        }

        return self::named(is_string($value) ? $value : '') ?? throw InvalidInput::in($field, 'Give “ring 6”, “line 4”, “grid 2x5” or a list of points.');
    }

    private static function named(string $text): ?self
    {
        return match (true) {
            1 === preg_match('~\A\s*ring\s+(\d{1,3})\s*\z~ui', $text, $m) => self::ring((int) $m[1]),
            1 === preg_match('~\A\s*line\s+(\d{1,3})\s*\z~ui', $text, $m) => self::line((int) $m[1]),
            1 === preg_match('~\A\s*grid\s+(\d{1,3})\s*[x×]\s*(\d{1,3})\s*\z~ui', $text, $m) => self::grid((int) $m[1], (int) $m[2]),
            default => null,
        };
    }

    public function count(): int
    {
        return count($this->points);
    }

    /**
     * The tightening order, as bolt numbers from 1: from the middle outward, and within that always to the bolt farthest
     * round from the one before; a ring crosses over.
     *
     * @return list<int>
     */
    public function order(): array
    {
        return 'ring' === $this->shape ? $this->ringOrder() : $this->outwardOrder();
    }

    /** @return list<int> */
    private function ringOrder(): array
    {
        $n = $this->count();
        $left = range(1, $n);
        $order = [array_shift($left)];
        while ([] !== $left) {
            $best = $left[0];
            foreach ($left as $bolt) {
                if ($this->crossing($bolt, $order, $n) > $this->crossing($best, $order, $n) + 1e-9) {
                    $best = $bolt;
                }
            }
            $order[] = $best;
            $left = array_values(array_diff($left, [$best]));
        }

        return $order;
    }

    /**
     * How well a bolt comes next: far from the last one first, then far from all that are tight.
     *
     * @param non-empty-list<int> $order
     */
    private function crossing(int $bolt, array $order, int $n): float
    {
        $gap = static function (int $a, int $b) use ($n): int {
            $d = abs($a - $b) % $n;

            return min($d, $n - $d);
        };
        $nearest = min(array_map(static fn (int $tight): int => $gap($bolt, $tight), $order));

        return $gap($bolt, $order[count($order) - 1]) + $nearest / ($n + 1);
    }

    /** @return list<int> */
    private function outwardOrder(): array
    {
        [$cx, $cy] = $this->centre();
        $left = range(1, $this->count());
        $order = [];
        $last = null;
        while ([] !== $left) {
            $radius = fn (int $bolt): float => hypot($this->points[$bolt - 1][0] - $cx, $this->points[$bolt - 1][1] - $cy);
            $least = min(array_map($radius, $left));
            $ringed = array_values(array_filter($left, static fn (int $bolt): bool => $radius($bolt) <= $least * 1.0001 + 1e-9));
            usort($ringed, fn (int $a, int $b): int => $this->apart($b, $last) <=> $this->apart($a, $last) ?: $a <=> $b);
            $last = $ringed[0];
            $order[] = $last;
            $left = array_values(array_diff($left, [$last]));
        }

        return $order;
    }

    private function apart(int $bolt, ?int $last): float
    {
        return null === $last ? 0.0 : round(hypot($this->points[$bolt - 1][0] - $this->points[$last - 1][0], $this->points[$bolt - 1][1] - $this->points[$last - 1][1]), 6);
    }

    /** @return array{float, float} */
    private function centre(): array
    {
        return [array_sum(array_column($this->points, 0)) / $this->count(), array_sum(array_column($this->points, 1)) / $this->count()];
    }

    private static function counted(int $n): int
    {
        return $n >= 1 && $n <= 120 ? $n : throw InvalidInput::in('layout', 'A joint has 1 to 120 fasteners.');
    }
}
