<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Fill;

/**
 * How a circuit looks meanwhile: how full, a share of 0 as drained to 1, and what is seen of it: vacuum, screw, funnel, heater, runs,
 * thermostat, fan, bubbles, shut.
 */
final readonly class Look
{
    /** @param list<string> $shows */
    public function __construct(public float $fill = 0.0, public array $shows = [])
    {
    }
}
