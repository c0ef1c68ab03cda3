<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;

/** A charge cooler by what goes in and comes out: how much of what it could take it takes, and what is left of the density. */
final readonly class Cooler
{
    /**
     * @param float $effectiveness 1 where it comes out as cold as the air outside
     * @param float $densityRatio after over before; without pressures, by the temperatures alone
     */
    private function __construct(public float $effectiveness, public float $densityRatio)
    {
    }

    /** @param array{Pressure, Pressure}|null $pressures absolute, before and after */
    public static function of(Temperature $before, Temperature $after, Temperature $ambient, ?array $pressures): self
    {
        $ratio = null === $pressures ? 1.0 : $pressures[1]->kilopascals / $pressures[0]->kilopascals;

        return new self(
            ($before->celsius - $after->celsius) / ($before->celsius - $ambient->celsius),
            $ratio * ($before->celsius + Gas::ZERO) / ($after->celsius + Gas::ZERO),
        );
    }

    /** What a compressor makes of its air. @param float $efficiency isentropic, of one */
    public static function compressed(Temperature $inlet, float $ratio, float $efficiency): Temperature
    {
        $rise = ($ratio ** ((Gas::KAPPA - 1) / Gas::KAPPA) - 1) / $efficiency;

        return Temperature::celsius(($inlet->celsius + Gas::ZERO) * (1 + $rise) - Gas::ZERO);
    }
}
