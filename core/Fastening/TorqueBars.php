<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fastening;

use NimbleKnuckle\Core\Quantity\Figure;

/** The stated figures as bars on one scale of N·m, and where yield begins; places are in percent of the width. */
final readonly class TorqueBars
{
    /**
     * @param list<array{text: string, from: float, to: float, at: float, value: float}> $bars
     * @param list<array{at: float, value: float}> $ticks
     */
    private function __construct(public array $bars, public array $ticks, public float $yieldAt)
    {
    }

    /**
     * @param non-empty-list<Figure> $figures
     * @param float $yieldTorque N·m, 0 where it is not known
     */
    public static function of(array $figures, float $yieldTorque): self
    {
        $top = 1.15 * max(1e-6, $yieldTorque, ...array_map(static fn (Figure $figure): float => $figure->highest(), $figures));
        $place = static fn (float $value): float => 100 * $value / $top;
        $step = self::round($top / 5);
        $ticks = [];
        for ($value = 0.0; $value <= $top; $value += $step) {
            $ticks[] = ['at' => $place($value), 'value' => $value];
        }

        return new self(
            array_map(static fn (Figure $f): array => ['text' => $f->text, 'from' => $place(max(0.0, $f->lowest())), 'to' => $place($f->highest()), 'at' => $place($f->value()), 'value' => $f->value()], $figures),
            $ticks, $yieldTorque > 0 ? $place($yieldTorque) : 0.0,
        );
    }

    private static function round(float $step): float
    {
        $power = 10 ** floor(log10($step));

        return match (true) {
            $step / $power < 1.5 => $power,
            $step / $power < 3.5 => 2 * $power,
            $step / $power < 7.5 => 5 * $power,
            default => 10 * $power,
        };
    }
}
