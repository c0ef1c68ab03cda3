<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Length;

/** Pairs of bars, old beside new, to one scale: the heights of the mounts, and the rock before and after. */
final readonly class MountWearDrawing
{
    /** @param list<array{name: string, old: float, new: float, oldHigh: float, newHigh: float}> $pairs mm; heights in a frame of 200 */
    private function __construct(public array $pairs)
    {
    }

    /** @param array<string, array{Length, Length}> $pairs name => old, new */
    public static function of(array $pairs): self
    {
        $whole = max([0.1, ...array_map(
            static fn (array $pair): float => max($pair[0]->millimetres, $pair[1]->millimetres), array_values($pairs),
        )]);
        $bars = [];
        foreach ($pairs as $name => [$old, $new]) {
            $bars[] = [
                'name' => $name, 'old' => $old->millimetres, 'new' => $new->millimetres,
                'oldHigh' => 200 * $old->millimetres / $whole, 'newHigh' => 200 * $new->millimetres / $whole,
            ];
        }

        return new self($bars);
    }
}
