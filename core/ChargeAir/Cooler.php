<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;

/** A charge cooler by what goes in and comes out: how much of what it could take it takes, and what is left of the density. */
final readonly class Cooler
{
    /**
     * @param Formula $effectiveness 1 where it comes out as cold as the air outside
     * @param Formula $densityRatio after over before; without pressures, by the temperatures alone
     */
    private function __construct(public Formula $effectiveness, public Formula $densityRatio)
    {
    }

    /** @param array{Pressure, Pressure}|null $pressures absolute, before and after */
    public static function of(Temperature $before, Temperature $after, Temperature $ambient, ?array $pressures): self
    {
        $celsius = ['T₁' => $before->celsius, 'T₂' => $after->celsius, 'Tₐ' => $ambient->celsius];
        $absolute = ['T₁' => $before->celsius + Gas::ZERO, 'T₂' => $after->celsius + Gas::ZERO];

        return new self(Formula::of('ε = (T₁ − T₂)/(T₁ − Tₐ)', $celsius), null === $pressures
            ? Formula::of('T₁/T₂', $absolute)
            : Formula::of('(p₂/p₁)(T₁/T₂)', ['p₂' => $pressures[1]->kilopascals, 'p₁' => $pressures[0]->kilopascals] + $absolute));
    }

    /** K a compressor makes of its air. @param float $efficiency isentropic, of one */
    public static function compressedFormula(Temperature $inlet, float $ratio, float $efficiency): Formula
    {
        return Formula::of('T₀ (1 + (PR^((κ − 1)/κ) − 1)/η)', [
            'T₀' => $inlet->celsius + Gas::ZERO, 'PR' => $ratio, 'κ' => Term::fixed(Gas::KAPPA), 'η' => $efficiency,
        ]);
    }
}
