<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Formula\Formula;

/** How a driven compressor answers its speed. */
enum BlowerType: string
{
    case PositiveDisplacement = 'positive-displacement';
    case Centrifugal = 'centrifugal';

    /** (κ − 1)/κ of air. */
    private const EXPONENT = 0.4 / 1.4;

    /** The pressure ratio at so many times the old speed. */
    public function ratio(float $old, float $faster): float
    {
        return $this->formula($old, 1.0, $faster)->value;
    }

    /** The pressure ratio after a change of speed, from n₀ to n. */
    public function formula(float $old, float $before, float $after): Formula
    {
        return Formula::of(self::Centrifugal === $this ? '1 + (PR₀ − 1)(n/n₀)²' : 'PR₀ · n/n₀', [
            'PR₀' => $old, 'n₀' => $before, 'n' => $after,
        ]);
    }

    /**
     * How many times the old power it takes at so many times the old speed: the air it moves goes with the speed, the work on
     * each gram with the pressure ratio, ((p2/p1)^((κ−1)/κ) − 1) for κ = 1.4. Where no ratio is known: the square of the speed
     * for a fixed volume each turn, the cube for a wheel (affinity law).
     */
    public function power(float $faster, ?float $oldRatio): float
    {
        if (null === $oldRatio || $oldRatio <= 1.0) {
            return self::Centrifugal === $this ? $faster ** 3 : $faster ** 2;
        }
        $work = static fn (float $ratio): float => max(0.0, $ratio ** self::EXPONENT - 1);

        return $faster * $work($this->ratio($oldRatio, $faster)) / $work($oldRatio);
    }
}
