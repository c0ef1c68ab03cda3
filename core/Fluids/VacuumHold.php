<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Duration;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Volume;

/** Whether a system under vacuum holds: leak V Δp/t by the pressure-rise method, and what it comes to in five minutes. */
final readonly class VacuumHold
{
    /** As long as the gauge is left alone, s. */
    public const SECONDS = 120;
    /** kPa lost in five minutes. */
    public const WATCH_LOSS = 1.0;
    public const STOP_LOSS = 3.0;
    private const LOSS_MINUTES = 5.0;
    /** A gauge may seem to gain so much by itself, kPa. */
    private const GAUGE_PLAY = 1.0;

    private function __construct(public Volume $volume, public Pressure $lost, public Duration $held)
    {
    }

    public static function of(Volume $volume, Pressure $pulled, Pressure $end, Duration $held): self
    {
        return new self($volume, $pulled->minus($end), $held);
    }

    /** A vacuum that grew by itself: one of the two was misread. */
    public function isMisread(): bool
    {
        return $this->lost->kilopascals < -self::GAUGE_PLAY;
    }

    /** The most a system that holds may lose while the gauge is left alone. */
    public static function mostLost(): Pressure
    {
        return Pressure::kilopascals(self::STOP_LOSS * self::SECONDS / (60 * self::LOSS_MINUTES));
    }

    public function inFiveMinutes(): Pressure
    {
        return Pressure::kilopascals($this->lost->kilopascals * self::LOSS_MINUTES / $this->held->minutes);
    }

    /** Pa·L/s. */
    public function leakRate(): float
    {
        return $this->leakFormula()->value * 1000 / 60;
    }

    /** L·kPa a minute. */
    public function leakFormula(): Formula
    {
        return Formula::of('V Δp / t', [
            'V' => Term::of($this->volume->litres, 'L'), 'Δp' => Term::of($this->lost->kilopascals, 'kPa'),
            't' => Term::of($this->held->minutes, 'min'),
        ]);
    }

    public function leaks(): bool
    {
        return $this->inFiveMinutes()->kilopascals > self::STOP_LOSS;
    }

    public function seeps(): bool
    {
        return !$this->leaks() && $this->inFiveMinutes()->kilopascals > self::WATCH_LOSS;
    }
}
