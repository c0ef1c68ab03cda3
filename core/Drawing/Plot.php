<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Drawing;

use NimbleKnuckle\Core\Quantity\Digits;

/**
 * A plot to scale in a frame of 640 by 380: lines, levels, marks and dots in the numbers' own units. Built up by “with”
 * methods, each giving a new plot; places are worked out when it is drawn.
 */
final readonly class Plot
{
    public const WIDTH = 640.0;
    public const HEIGHT = 380.0;
    private const LEFT = 62.0;
    private const RIGHT = 24.0;
    private const TOP = 34.0;
    private const BOTTOM = 48.0;

    /**
     * @param list<array{points: string, kind: string}> $lines
     * @param list<array{at: float, text: string, kind: string}> $levels
     * @param list<array{at: float, text: string, kind: string}> $marks
     * @param list<array{x: float, y: float, text: string, kind: string, end: bool}> $dots
     * @param list<array{top: float, height: float, left: float, width: float, kind: string}> $areas
     */
    private function __construct(
        public string $about,
        public Axis $horizontal,
        public Axis $vertical,
        public array $lines = [],
        public array $levels = [],
        public array $marks = [],
        public array $dots = [],
        public array $areas = [],
    ) {
    }

    /**
     * @param string $about what it shows, in words, for those who cannot see it
     * @param array{float, float} $xs
     * @param array{float, float} $ys
     */
    public static function over(string $about, string $xUnit, array $xs, string $yUnit, array $ys): self
    {
        return new self($about, Axis::of($xUnit, $xs), Axis::of($yUnit, $ys));
    }

    /** @param list<array{float, float}> $points */
    public function line(array $points, string $kind = 'ink'): self
    {
        if ([] === $points) {
            return $this;
        }
        $text = implode(' ', array_map(fn (array $p): string => sprintf('%.1F,%.1F', $this->x($p[0]), $this->y($p[1])), $points));

        return $this->with(lines: [...$this->lines, ['points' => $text, 'kind' => $kind]]);
    }

    public function level(float $y, string $text, string $kind = 'bad-line'): self
    {
        return !$this->vertical->holds($y) ? $this : $this->with(levels: [
            ...$this->levels, ['at' => $this->y($y), 'text' => $text, 'kind' => $kind],
        ]);
    }

    public function mark(float $x, string $text, string $kind = 'dash'): self
    {
        return !$this->horizontal->holds($x) ? $this : $this->with(marks: [
            ...$this->marks, ['at' => $this->x($x), 'text' => $text, 'kind' => $kind],
        ]);
    }

    public function dot(float $x, float $y, string $text, string $kind = 'pen'): self
    {
        return $this->with(
            dots: [
                ...$this->dots,
                ['x' => $this->x($x), 'y' => $this->y($y), 'text' => $text, 'kind' => $kind, 'end' => $this->x($x) > 0.55 * self::WIDTH],
            ],
        );
    }

    /** A band between two heights, or a strip between two places where “across” is set. */
    public function area(float $from, float $to, string $kind = 'window', bool $across = false): self
    {
        $area = $across
            ? [
                'left' => $this->x($from), 'width' => max(0.0, $this->x($to) - $this->x($from)), 'top' => self::TOP,
                'height' => $this->bottom() - self::TOP, 'kind' => $kind,
            ]
            : [
                'left' => self::LEFT, 'width' => self::WIDTH - self::LEFT - self::RIGHT, 'top' => $this->y($to),
                'height' => max(0.0, $this->y($from) - $this->y($to)), 'kind' => $kind,
            ];

        return $this->with(areas: [...$this->areas, $area]);
    }

    public function left(): float
    {
        return self::LEFT;
    }

    public function right(): float
    {
        return self::WIDTH - self::RIGHT;
    }

    public function top(): float
    {
        return self::TOP;
    }

    public function bottom(): float
    {
        return self::HEIGHT - self::BOTTOM;
    }

    /** @return list<array{at: float, value: float, text: string}> */
    public function xTicks(): array
    {
        return $this->ticks($this->horizontal, $this->x(...));
    }

    /** @return list<array{at: float, value: float, text: string}> */
    public function yTicks(): array
    {
        return $this->ticks($this->vertical, $this->y(...));
    }

    private function x(float $value): float
    {
        return self::LEFT + $this->horizontal->along(self::WIDTH - self::LEFT - self::RIGHT, $value);
    }

    private function y(float $value): float
    {
        return $this->bottom() - $this->vertical->along($this->bottom() - self::TOP, $value);
    }

    /**
     * @param callable(float): float $place
     *
     * @return list<array{at: float, value: float, text: string}>
     */
    private function ticks(Axis $axis, callable $place): array
    {
        $step = self::roundStep(($axis->high - $axis->low) / 5);
        $decimals = max(0, (int) ceil(-log10($step) - 1e-9));
        $ticks = [];
        for ($value = ceil($axis->low / $step - 1e-9) * $step; $value <= $axis->high + 1e-9 * $step; $value += $step) {
            $ticks[] = ['at' => $place($value), 'value' => $value, 'text' => Digits::fixed(abs($value) < 1e-9 ? 0.0 : $value, $decimals)];
        }

        return $ticks;
    }

    /** 1, 2 or 5 times a power of ten, near what is asked. */
    public static function roundStep(float $step): float
    {
        $power = 10 ** floor(log10($step));

        return match (true) {
            $step / $power < 1.5 => $power,
            $step / $power < 3.5 => 2 * $power,
            $step / $power < 7.5 => 5 * $power,
            default => 10 * $power,
        };
    }

    private function with(mixed ...$changes): self
    {
        // The parts in the order of the constructor: matching thirty names costs more than all else here.
        return new self(...array_values(array_replace(get_object_vars($this), $changes))); // @phpstan-ignore argument.type
    }
}
