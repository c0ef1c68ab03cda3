<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;

/** How far a round steel bar twists under a torque: θ = T l/(G J). Strength of materials, G of steel 80 GPa. */
final readonly class Twist
{
    /** N/mm² */
    public const SHEAR_MODULUS = 80_000.0;

    /** @param float $second mm⁴, polar second moment of area */
    private function __construct(public Angle $twist, public Angle $overstates, public float $second)
    {
    }

    /** @param Torque $snug the torque the angle is counted from */
    public static function of(Torque $torque, Torque $snug, Length $length, Length $diameter, Length $inner): self
    {
        $second = \M_PI * ($diameter->millimetres ** 4 - $inner->millimetres ** 4) / 32;
        $turn = static fn (float $newtonMetres): Angle => Angle::degrees(
            rad2deg(1000 * $newtonMetres * $length->millimetres / (self::SHEAR_MODULUS * $second)),
        );

        return new self($turn($torque->newtonMetres), $turn($torque->newtonMetres - $snug->newtonMetres), $second);
    }
}
