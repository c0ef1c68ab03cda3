<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

/** Gaps one under the other, to scale: as wide as they are, and how wide they should be left. */
final readonly class StopGapDrawing
{
    /** @param list<array{name: string, gap: float, width: float}> $bars width in the frame of 560 */
    private function __construct(public array $bars, public float $least)
    {
    }

    /** @param array<string, float> $gaps name => mm */
    public static function of(array $gaps, float $least): self
    {
        $whole = max(0.1, $least, ...array_values($gaps));
        $bars = [];
        foreach ($gaps as $name => $gap) {
            $bars[] = ['name' => $name, 'gap' => $gap, 'width' => max(0.0, $gap) / $whole * 420];
        }

        return new self($bars, $least / $whole * 420);
    }
}
