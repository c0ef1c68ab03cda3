<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * A charge path that is shut and loses pressure: the one round hole that loses as much. It empties isothermally through an orifice,
 * Cd 0.65. Pressures are over the air outside; mm², mm, s, g/s.
 */
final readonly class Leak
{
    public const DISCHARGE = 0.65;
    private const PARTS = 400;

    private function __construct(
        public float $area, public float $hole, public float $halfTime, private float $volume, private float $outside,
        private float $kelvin,
    ) {
    }

    /**
     * @param float $seconds from the one pressure to the other
     * @param Pressure $air outside, absolute
     */
    public static function of(
        Volume $volume, Pressure $from, Pressure $to, float $seconds, Temperature $temperature, Pressure $air,
    ): self {
        [$cubic, $outside] = [$volume->litres / 1000, 1000 * $air->kilopascals];
        $kelvin = $temperature->celsius + Gas::ZERO;
        $gauge = static fn (float $kilopascals): float => $outside + 1000 * $kilopascals;
        $per = $cubic / (Gas::R * $kelvin * self::DISCHARGE);
        $area = $per / $seconds * self::integral($gauge($to->kilopascals), $gauge($from->kilopascals), $outside, $kelvin);
        $half = $area > 0.0 ? $per / $area * self::integral(
            $gauge($from->kilopascals / 2), $gauge($from->kilopascals), $outside, $kelvin,
        ) : \INF;

        return new self(1e6 * $area, 1000 * sqrt(4 * $area / \M_PI), $half, $cubic, $outside, $kelvin);
    }

    /** ∫ dp/ψ by Simpson’s rule; ψ goes with the root of what is left near the end, which is no place a gauge can read. */
    private static function integral(float $low, float $high, float $outside, float $kelvin): float
    {
        $h = ($high - $low) / self::PARTS;
        $sum = 0.0;
        for ($i = 0; $i <= self::PARTS; ++$i) {
            $weight = 0 === $i || self::PARTS === $i ? 1.0 : (0 === $i % 2 ? 2.0 : 4.0);
            $sum += $weight / max(1e-9, Gas::flux($low + $i * $h, $outside, $kelvin));
        }

        return $sum * $h / 3;
    }

    /** What it loses at a boost, in g/s. */
    public function loss(Pressure $boost): float
    {
        return 1000 * self::DISCHARGE * $this->area * 1e-6 * Gas::flux(
            $this->outside + 1000 * $boost->kilopascals, $this->outside, $this->kelvin,
        );
    }

    /** kPa over the air outside, so many seconds after it stood at that pressure. */
    public function after(Pressure $from, float $seconds): float
    {
        $p = $this->outside + 1000 * $from->kilopascals;
        $steps = 200;
        for ($i = 0; $i < $steps; ++$i) {
            $fall = self::DISCHARGE * $this->area * 1e-6 * Gas::R * $this->kelvin / $this->volume * $seconds / $steps;
            $middle = $p - $fall / 2 * Gas::flux($p, $this->outside, $this->kelvin);
            $p = max($this->outside, $p - $fall * Gas::flux($middle, $this->outside, $this->kelvin));
        }

        return ($p - $this->outside) / 1000;
    }
}
