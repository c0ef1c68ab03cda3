<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Drawing\Plot;
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
        $step = Plot::roundStep($top / 5);
        $ticks = [];
        for ($value = 0.0; $value <= $top; $value += $step) {
            $ticks[] = ['at' => $place($value), 'value' => $value];
        }

        return new self(
            array_map(
                static fn (Figure $f): array => [
                    'text' => $f->text, 'from' => $place(max(0.0, $f->lowest())), 'to' => $place($f->highest()),
                    'at' => $place($f->value()), 'value' => $f->value(),
                ],
                $figures,
            ),
            $ticks, $yieldTorque > 0 ? $place($yieldTorque) : 0.0,
        );
    }
}
