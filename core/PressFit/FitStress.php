<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Formula\Formula;

/**
 * What a press fit does to its parts, MPa: pressure between them, hoop and equivalent in the hub, hoop in the bore of a hollow shaft.
 * Source: Lamé; DIN 7190-1; von Mises in plane stress.
 */
final readonly class FitStress
{
    private function __construct(public Formula $pressure, public Formula $hoop, public Formula $equivalent, public Formula $shaftBore)
    {
    }

    /**
     * @param float $works mm of interference that works
     * @param array{float, float, float} $sizes mm: shaft, outside of the hub, bore of the shaft
     */
    public static function of(float $works, array $sizes, PartMaterial $shaft, PartMaterial $hub): self
    {
        [$d, $outside, $inside] = $sizes;
        $diameters = ['d' => $d, 'D' => $outside, 'b' => $inside];
        $pressure = Formula::of('p = (Δ/d)/[(1/Eo)((D²+d²)/(D²−d²) + νo) + (1/Ei)((d²+b²)/(d²−b²) − νi)]', $diameters + [
            'Δ' => $works, 'Eo' => 1000 * $hub->elastic, 'νo' => $hub->poisson, 'Ei' => 1000 * $shaft->elastic, 'νi' => $shaft->poisson,
        ]);
        $pressed = ['p' => $pressure->value] + $diameters;
        $hoop = Formula::of('p (D² + d²)/(D² − d²)', $pressed);

        return new self(
            $pressure, $hoop, Formula::of('√(hoop² + hoop p + p²)', ['hoop' => $hoop->value, 'p' => $pressure->value]),
            $inside > 0.0 ? Formula::of('2 p d²/(d² − b²)', $pressed) : Formula::of('0', []),
        );
    }
}
