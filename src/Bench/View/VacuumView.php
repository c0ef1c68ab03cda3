<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Task\FillFromBench;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\Door\VacuumFill;
use NimbleKnuckle\Core\Sum\SumResult;

/** The vacuum as a step shows it: how deep, what was read, and the dial. Altitude in m. */
final readonly class VacuumView
{
    private function __construct(public SumResult $result, public DialDrawing $dial, public bool $isPulled, public float $altitude)
    {
    }

    public static function of(?FillFromBench $fill): ?self
    {
        return null === $fill ? null : new self(
            (new VacuumFill())->said($fill->vacuum, $fill->hold), $fill->dial, $fill->isPulled, $fill->altitude,
        );
    }
}
