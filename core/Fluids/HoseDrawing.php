<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Sum\SumResult;

/** A hose end on, to scale, with the smallest and largest the clamp closes on; radii in mm. */
final readonly class HoseDrawing
{
    private function __construct(
        public float $outer, public float $inner, public ?float $spigot, public float $smallest, public float $largest,
        public float $band,
    ) {
    }

    public static function of(SumResult $result, ?float $inside, ?float $spigot): self
    {
        $outer = $result->number('fitted') / 2;

        return new self(
            $outer, (null === $inside ? 0.78 * 2 * $outer : max($inside, $spigot ?? 0.0)) / 2,
            null === $spigot ? null : $spigot / 2, $result->number('smallest') / 2, $result->number('largest') / 2,
            $result->number('band'),
        );
    }
}
