<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;

/** What a belt can pull round one pulley before it slips: T1/T2 = exp(μθ) (Euler–Eytelwein), wedged in its grooves. */
final readonly class BeltSlip
{
    /** Rubber on steel, a working value. */
    public const FRICTION = 0.35;

    /** @param float $margin available over needed */
    private function __construct(public float $friction, public Force $needed, public Force $available, public float $margin)
    {
    }

    /**
     * @param float $kilowatts taken off at this pulley
     * @param float $speed rpm of this pulley
     */
    public static function of(
        Angle $wrap, Force $slack, float $kilowatts, float $speed, Length $diameter, float $friction = self::FRICTION,
        Side $side = Side::Ribs,
    ): self {
        $wedged = Side::Ribs === $side ? $friction / sin(deg2rad(BeltSection::GROOVE / 2)) : $friction;
        $needed = Force::newtons(1000 * $kilowatts / (\M_PI * $diameter->millimetres / 1000 * $speed / 60));
        $available = $slack->times(exp($wedged * deg2rad($wrap->degrees)) - 1);

        return new self($wedged, $needed, $available, $available->over($needed));
    }
}
