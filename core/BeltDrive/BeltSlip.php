<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;

/** What a belt can pull round one pulley before it slips: T1/T2 = exp(μθ) (Euler–Eytelwein), wedged in its grooves. */
final readonly class BeltSlip
{
    /** Rubber on steel, a working value. */
    public const FRICTION = 0.35;

    /**
     * @param Formula $friction as the groove wedges it
     * @param Formula $needed N
     * @param Formula $available N before it slips
     * @param Formula $margin available over needed
     */
    private function __construct(
        public Formula $friction, public Formula $needed, public Formula $available, public Formula $margin,
    ) {
    }

    /**
     * @param float $kilowatts taken off at this pulley
     * @param float $speed rpm of this pulley
     */
    public static function of(
        Angle $wrap, Force $slack, float $kilowatts, float $speed, Length $diameter, float $friction = self::FRICTION,
        Side $side = Side::Ribs,
    ): self {
        $wedged = Side::Ribs === $side
            ? Formula::of('μ′ = μ/sin half', ['μ' => $friction, 'half' => Term::fixed(BeltSection::GROOVE / 2, '°')])
            : Formula::of('μ′ = μ', ['μ' => $friction]);
        $needed = Formula::of('F = P/(π d n)', [
            'P' => Term::readAs(1000 * $kilowatts, $kilowatts, 'kW'),
            'd' => Term::readAs($diameter->millimetres / 1000, $diameter->millimetres, 'mm'),
            'n' => Term::readAs($speed / 60, $speed, 'rpm'),
        ]);
        $available = Formula::of('T₂(exp(μ′θ) − 1)', [
            'T₂' => $slack->newtons, 'μ′' => $wedged->value, 'θ' => Term::readAs(deg2rad($wrap->degrees), $wrap->degrees, '°'),
        ]);

        return new self($wedged, $needed, $available, Formula::of('before it slips/needed', [
            'before it slips' => $available->value, 'needed' => Term::of($needed->value, 'N'),
        ]));
    }
}
