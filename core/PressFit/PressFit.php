<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Stress;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Torque;

/**
 * A hub on a shaft with interference, both elastic (Lamé; DIN 7190-1): pressure, stresses, the force to press it on, the torque
 * the fit alone carries, and how warm or cold it slips on.
 */
final readonly class PressFit
{
    /** Of the heights that are pressed flat, as in DIN 7190-1. */
    private const SMOOTHED = 0.8;

    private function __construct(
        public Length $interference, public Length $works, public FitStress $stress, public Force $force, public Torque $slips,
        public Temperature $heat, public Temperature $chill,
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
        $interference = $d - $bore;
        $works = $interference - self::SMOOTHED * $rough->millimetres;
        $ratio = static fn (float $large, float $small): float => ($large ** 2 + $small ** 2) / ($large ** 2 - $small ** 2);
        $gives = ($ratio($outside, $d) + $hub->poisson) / (1000 * $hub->elastic)
            + ($ratio($d, $inside) - $shaft->poisson) / (1000 * $shaft->elastic);
        $pressure = max(0.0, $works) / $d / $gives;
        $hoop = $pressure * $ratio($outside, $d);
        $ring = \M_PI * $d * $length->millimetres * $pressure;
        $rise = ($interference + $clearance->millimetres) / $d * 1e6;

        $stress = new FitStress(
            Stress::megapascals($pressure), Stress::megapascals($hoop),
            Stress::megapascals(sqrt($hoop ** 2 + $hoop * $pressure + $pressure ** 2)),
            Stress::megapascals($inside > 0.0 ? 2 * $pressure * $d ** 2 / ($d ** 2 - $inside ** 2) : 0.0),
        );

        return new self(
            Length::millimetres($interference), Length::millimetres($works), $stress, Force::newtons($friction[1] * $ring),
            Torque::newtonMetres($friction[0] * $ring * $d / 2000), Temperature::celsius(20 + $rise / $hub->alpha),
            Temperature::celsius(20 - $rise / $shaft->chilled),
        );
    }
}
