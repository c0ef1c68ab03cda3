<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Kit;

/** A torque wrench: range in N·m, reading error in percent, days since the last calibration (at the instant of planning). */
final readonly class Wrench
{
    public function __construct(
        public string $name,
        public string $drive,
        public float $min,
        public float $max,
        public float $error,
        public float $lever,
        public int $daysPastCalibration,
    ) {
    }

    /** Usable from 20 % of full scale and inside its own range. */
    public function lowestUsable(): float
    {
        return max($this->min, 0.2 * $this->max);
    }

    public function reaches(float $torque): bool
    {
        return $torque >= $this->lowestUsable() - 1e-9 && $torque <= $this->max + 1e-9;
    }

    public function isPastCalibration(): bool
    {
        return $this->daysPastCalibration > 0;
    }
}
