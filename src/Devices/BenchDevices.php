<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

/** The devices as the bench shows them: a wrench at a joint, a thermometer at a warm-up, a press at a hub. */
final readonly class BenchDevices
{
    public function __construct(public BenchWrench $wrench, public BenchThermometer $thermometer, public BenchPress $press)
    {
    }
}
