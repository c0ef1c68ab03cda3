<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/** How coarse a trace is: how far one reading is off, share of it; degrees from sample to sample while the torque rises. */
final readonly class Grain
{
    public function __construct(public float $noise, public float $spacing)
    {
    }
}
