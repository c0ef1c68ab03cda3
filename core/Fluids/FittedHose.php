<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;

/** A hose pushed on a spigot: the rubber keeps its cross-section as it is stretched, OD = √(d² + OD0² − ID0²). */
final readonly class FittedHose
{
    /** The least wall a hose has, mm. */
    private const LEAST_WALL = 0.5;

    /**
     * @param Formula $stretched mm across, as far as the hose is not loose
     * @param Share $stretch below nothing where the hose is loose */
    private function __construct(public Length $across, public Share $stretch, public Formula $stretched)
    {
    }

    public static function on(Length $spigot, Length $inside, Length $outside): self
    {
        $stretched = Formula::of('OD = √(d² + OD0² − ID0²)', [
            'd' => $spigot->millimetres, 'OD0' => $outside->millimetres, 'ID0' => $inside->millimetres,
        ]);

        return new self(
            $spigot->millimetres <= $inside->millimetres ? $outside : Length::millimetres($stretched->value),
            Share::ofOne($spigot->over($inside) - 1), $stretched,
        );
    }

    public static function hasWall(Length $inside, Length $outside): bool
    {
        return $inside->millimetres <= $outside->millimetres - 2 * self::LEAST_WALL;
    }
}
