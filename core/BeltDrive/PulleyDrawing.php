<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Drawing\Frame;
use NimbleKnuckle\Core\Quantity\Length;

/** Crank and driven pulley before and after, to scale side by side, in mm. */
final readonly class PulleyDrawing
{
    private const GAP = 24.0;

    /** @param list<array{name: string, x: float, y: float, before: float, after: float}> $pulleys radii in mm */
    private function __construct(public Frame $frame, public float $unit, public array $pulleys)
    {
    }

    /**
     * @param array{Length, Length} $crank before and after
     * @param array{Length, Length} $driven before and after
     */
    public static function of(array $crank, array $driven): self
    {
        $radii = [
            'crank' => [$crank[0]->millimetres / 2, $crank[1]->millimetres / 2],
            'driven' => [$driven[0]->millimetres / 2, $driven[1]->millimetres / 2],
        ];
        $tall = max(...$radii['crank'], ...$radii['driven']);
        $x = 0.0;
        $drawn = [];
        foreach ($radii as $name => $pair) {
            $x += self::GAP + max($pair);
            $drawn[] = ['name' => $name, 'x' => $x, 'y' => 0.0, 'before' => $pair[0], 'after' => $pair[1]];
            $x += max($pair);
        }

        return new self(new Frame(0.0, -$tall - self::GAP, $x + self::GAP, 2 * $tall + 3 * self::GAP), 2 * $tall / 100, $drawn);
    }
}
