<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;

/**
 * A hub on a shaft with interference, both elastic (Lamé; DIN 7190-1): pressure, stresses, the force to press it on, the torque
 * the fit alone carries, and how warm or cold it slips on.
 */
final readonly class PressFit
{
    /** Of the heights that are pressed flat, as in DIN 7190-1. */
    public const SMOOTHED = 0.8;
    /** °C at which the parts are measured. */
    private const WARM = 20.0;

    /**
     * @param FitStress $stress MPa
     * @param Formula $force N
     * @param Formula $slips N·m
     * @param Formula $heat °C
     * @param Formula $chill °C
     */
    private function __construct(
        public Formula $interference, public Length $works, public FitStress $stress, public Formula $force, public Formula $slips,
        public Formula $heat, public Formula $chill,
    ) {
    }

    /**
     * Diameters as they are at 20 °C.
     *
     * @param array{Length, Length, Length, Length} $sizes shaft, bore of the hub, outside of the hub, bore of the shaft
     * @param array{PartMaterial, PartMaterial} $materials shaft and hub
     * @param Length $rough Rz of shaft and hub together
     * @param array{float, float} $friction low and high
     * @param Length $clearance to slip on with
     */
    public static function of(
        array $sizes, array $materials, Length $length, Length $rough, array $friction, Length $clearance,
    ): self {
        [$d, $bore, $outside, $inside] = array_map(static fn (Length $one): float => $one->millimetres, $sizes);
        [$shaft, $hub] = $materials;
        $interference = Formula::of('shaft − bore', ['shaft' => Term::of($d, '', 6), 'bore' => Term::of($bore, '', 6)]);
        $works = $interference->value - self::SMOOTHED * $rough->millimetres;
        $stress = FitStress::of(max(0.0, $works), [$d, $outside, $inside], $shaft, $hub);
        $ring = ['p' => $stress->pressure->value, 'd' => $d, 'l' => $length->millimetres];
        $grown = [
            'warm' => Term::fixed(self::WARM), 'Δ' => $interference->value, 'clearance' => $clearance->millimetres, 'd' => $d,
        ];

        return new self(
            $interference, Length::millimetres($works), $stress, Formula::of('μ p π d l', ['μ' => $friction[1]] + $ring),
            Formula::of('μ p π d l · d/2000', ['μ' => $friction[0]] + $ring),
            Formula::of('warm + (Δ + clearance)/(α d)', ['α' => self::perKelvin($hub->alpha)] + $grown),
            Formula::of('warm − (Δ + clearance)/(α d)', ['α' => self::perKelvin($shaft->chilled)] + $grown),
        );
    }

    /** @param float $millionths a kelvin */
    private static function perKelvin(float $millionths): Term
    {
        return Term::readAs($millionths / 1e6, $millionths, '·10⁻⁶');
    }
}
