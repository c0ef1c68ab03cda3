<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Temperature;

/**
 * A thermostat in a pan of water with a thermometer. The bands are working values: begins within 3 K of the stamp is good,
 * over 6 K off is a wrong or worn one; fully open 4 to 18 K above; shut again at most 8 K below where it opened.
 */
final readonly class PanTest
{
    private const GOOD = 3.0;
    private const BAD = 6.0;
    private const SLOWEST = 18.0;
    private const QUICKEST = 4.0;
    private const WIDEST = 8.0;
    private const HARDLY_SHUTS = 20.0;
    /** An open pan of water gets no hotter, but for what a thermometer reads wrong; °C. */
    private const BOILS = 100.5;

    public function __construct(
        public Temperature $stamp, public Temperature $opened, public ?Temperature $full, public ?Temperature $closed,
    ) {
    }

    /** K off its stamp, below nothing where it begins early. */
    public function off(): float
    {
        return $this->offFormula()->value;
    }

    public function offFormula(): Formula
    {
        return Formula::of('begins − stamp', ['begins' => $this->opened->celsius, 'stamp' => $this->stamp->celsius]);
    }

    /** K from begin to full; null where that was not seen. */
    public function span(): ?float
    {
        return $this->spanFormula()?->value;
    }

    public function spanFormula(): ?Formula
    {
        return null === $this->full ? null : Formula::of('full − begins', [
            'full' => $this->full->celsius, 'begins' => $this->opened->celsius,
        ]);
    }

    /** K it shuts below where it opened; null where that was not seen. */
    public function hysteresis(): ?float
    {
        return $this->hysteresisFormula()?->value;
    }

    public function hysteresisFormula(): ?Formula
    {
        return null === $this->closed ? null : Formula::of('begins − shut', [
            'begins' => $this->opened->celsius, 'shut' => $this->closed->celsius,
        ]);
    }

    public function hottest(): Temperature
    {
        return Temperature::celsius(max($this->opened->celsius, $this->full->celsius ?? 0.0));
    }

    public function isPastBoiling(): bool
    {
        return $this->hottest()->celsius > self::BOILS;
    }

    public function isFarOff(): bool
    {
        return abs($this->off()) > self::BAD;
    }

    public function isOff(): bool
    {
        return abs($this->off()) > self::GOOD;
    }

    public function isSlow(): bool
    {
        return $this->span() > self::SLOWEST;
    }

    public function isQuick(): bool
    {
        return null !== $this->span() && $this->span() < self::QUICKEST;
    }

    public function staysOpen(): bool
    {
        return $this->hysteresis() > self::HARDLY_SHUTS;
    }

    public function lags(): bool
    {
        return $this->hysteresis() > self::WIDEST;
    }
}
