<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Quantity\Stress;

/** What a press fit does to its parts: pressure between them, hoop and equivalent in the hub, hoop in the bore of a hollow shaft. */
final readonly class FitStress
{
    public function __construct(public Stress $pressure, public Stress $hoop, public Stress $equivalent, public Stress $shaftBore)
    {
    }
}
