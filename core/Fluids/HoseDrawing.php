<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Length;

/** A hose end on, to scale, with the smallest and largest the clamp closes on; radii in mm. */
final readonly class HoseDrawing
{
    /** Inside over outside, where nobody measured it. */
    private const USUAL_WALL = 0.78;

    private function __construct(
        public float $outer, public float $inner, public ?float $spigot, public float $smallest, public float $largest,
        public float $band,
    ) {
    }

    /** @param Length $across once it is on */
    public static function of(HoseClamp $clamp, Length $across, ?Length $inside, ?Length $spigot): self
    {
        $inner = null === $inside ? self::USUAL_WALL * $across->millimetres : max($inside->millimetres, $spigot->millimetres ?? 0.0);

        return new self(
            $across->millimetres / 2, $inner / 2, null === $spigot ? null : $spigot->millimetres / 2,
            $clamp->smallest->millimetres / 2, $clamp->largest->millimetres / 2, $clamp->band->millimetres,
        );
    }
}
