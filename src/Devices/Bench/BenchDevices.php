<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Bench;

use NimbleKnuckle\App\Devices\Curve\CurveBench;

/** The devices as the bench shows them: a wrench at a joint, a thermometer at a warm-up, whatever else draws a curve. */
final readonly class BenchDevices
{
    public function __construct(public BenchWrench $wrench, public BenchThermometer $thermometer, public CurveBench $curve)
    {
    }
}
