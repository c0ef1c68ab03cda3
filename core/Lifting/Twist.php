<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;

/** How far a round steel bar twists under a torque: θ = T l/(G J). Strength of materials, G of steel 80 GPa. */
final readonly class Twist
{
    /** N/mm² */
    public const SHEAR_MODULUS = 80_000.0;

    /**
     * @param Formula $turned radians
     * @param Formula $over radians
     * @param Formula $second mm⁴, polar second moment of area
     */
    private function __construct(
        public Angle $twist, public Angle $overstates, public Formula $turned, public Formula $over, public Formula $second,
    ) {
    }

    /** @param Torque $snug the torque the angle is counted from */
    public static function of(Torque $torque, Torque $snug, Length $length, Length $diameter, Length $inner): self
    {
        $second = Formula::of('J = π (D⁴ − d⁴) / 32', ['D' => $diameter->millimetres, 'd' => $inner->millimetres]);
        $bar = [
            'l' => $length->millimetres, 'G' => Term::readAs(self::SHEAR_MODULUS, self::SHEAR_MODULUS / 1000, 'GPa'),
            'J' => $second->value,
        ];
        $moment = static fn (Torque $one): Term => Term::readAs(1000 * $one->newtonMetres, $one->newtonMetres, '');
        $turned = Formula::of('θ = T l / (G J)', ['T' => $moment($torque)] + $bar);
        $over = Formula::of('(T − snug) l / (G J)', ['T' => $moment($torque), 'snug' => $moment($snug)] + $bar);

        return new self(Angle::degrees(rad2deg($turned->value)), Angle::degrees(rad2deg($over->value)), $turned, $over, $second);
    }
}
