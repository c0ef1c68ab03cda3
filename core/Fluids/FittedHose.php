<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;

/** A hose pushed on a spigot: the rubber keeps its cross-section as it is stretched, OD = √(d² + OD0² − ID0²). */
final readonly class FittedHose
{
    /** The least wall a hose has, mm. */
    private const LEAST_WALL = 0.5;

    /** @param Share $stretch below nothing where the hose is loose */
    private function __construct(public Length $across, public Share $stretch)
    {
    }

    public static function on(Length $spigot, Length $inside, Length $outside): self
    {
        $across = sqrt($spigot->millimetres ** 2 + $outside->millimetres ** 2 - $inside->millimetres ** 2);

        return new self(
            $spigot->millimetres <= $inside->millimetres ? $outside : Length::millimetres($across),
            Share::ofOne($spigot->over($inside) - 1),
        );
    }

    public static function hasWall(Length $inside, Length $outside): bool
    {
        return $inside->millimetres <= $outside->millimetres - 2 * self::LEAST_WALL;
    }
}
