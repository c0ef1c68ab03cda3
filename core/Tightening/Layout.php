<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Quantity\CleanText;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * Where the fasteners of a joint sit, in a plane seen from the head side; x to the right, y down, numbered as on the card.
 */
final readonly class Layout
{
    /** From one place of a joint to the next, in widths of a place. */
    private const APART = 1.4;

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

        return self::named(is_string($value) ? $value : '', $field) ?? throw InvalidInput::in(
            $field, 'Give “ring 6”, “line 4”, “grid 2x5” or a list of points.',
        );
    }

    /** @throws InvalidInput for digits of another script */
    private static function named(string $text, string $field): ?self
    {
        try {
            $clean = strtr(CleanText::of($text), ['×' => 'x', 'X' => 'x', '*' => 'x', 'by' => 'x']);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, $e->getMessage());
        }
        if (1 === preg_match('~\A(?:grid(?:\s+of)?\s+)?([0-9]{1,3})\s*x\s*([0-9]{1,3})(?:\s+grid)?\z~i', $clean, $m)) {
            return self::grid((int) $m[1], (int) $m[2]);
        }
        if (1 !== preg_match(
            '~\A(?:(?<shape>ring|circle|line|row)(?:\s+of)?\s+(?<n>[0-9]{1,3})'
                .'|(?<m>[0-9]{1,3})\s+in\s+a\s+(?<form>ring|circle|line|row))\z~i',
            $clean, $m,
        )) {
            return null;
        }
        $count = (int) ($m['n'].($m['m'] ?? ''));

        return in_array(mb_strtolower($m['shape'].($m['form'] ?? '')), ['ring', 'circle'], true) ? self::ring($count) : self::line($count);
    }

    public function count(): int
    {
        return count($this->points);
    }

    /** The same once more beside it, so many in all; the number goes on from one to the next. */
    public function times(int $times): self
    {
        if ($times <= 1) {
            return $this;
        }
        $xs = array_column($this->points, 0);
        $apart = (max($xs) - min($xs)) * self::APART + ('ring' === $this->shape ? 0.0 : 1.0);
        $points = [];
        for ($i = 0; $i < $times; ++$i) {
            foreach ($this->points as [$x, $y]) {
                $points[] = [round($x + $i * $apart, 6), $y];
            }
        }

        return self::points($points);
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

    /**
     * By opposite pairs. A new pair starts at the fastener farthest from all that are done; on a tie farthest from the last pair,
     * then at the lowest number. An odd ring has no opposites: each next one is chosen so.
     *
     * @return list<int>
     */
    private function ringOrder(): array
    {
        $n = $this->count();
        $order = [1];
        $last = [1];
        while (count($order) < $n) {
            if (0 === $n % 2 && 1 === count($order) % 2) {
                $last = [$order[count($order) - 1], ($order[count($order) - 1] - 1 + intdiv($n, 2)) % $n + 1];
                $order[] = $last[1];
                continue;
            }
            $best = 0;
            $bestRank = [-1, -1];
            foreach (array_diff(range(1, $n), $order) as $bolt) {
                $rank = [$this->nearest($bolt, $order, $n), $this->nearest($bolt, $last, $n)];
                if ($rank > $bestRank) {
                    [$best, $bestRank] = [$bolt, $rank];
                }
            }
            $order[] = $best;
            $last = 0 === $n % 2 ? $last : [$best];
        }

        return $order;
    }

    /** @param non-empty-list<int> $others */
    private function nearest(int $bolt, array $others, int $n): int
    {
        return min(array_map(static fn (int $other): int => min(abs($bolt - $other), $n - abs($bolt - $other)), $others));
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
        return null === $last ? 0.0 : round(
            hypot($this->points[$bolt - 1][0] - $this->points[$last - 1][0], $this->points[$bolt - 1][1] - $this->points[$last - 1][1]),
            6,
        );
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
