<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * Where a coolant freezes and boils, in the open and under its cap. Boiling under pressure from the water's activity
 * a = 101.325 / Pw(Tb0), then a·Pw(T) = P. Source: ASHRAE Fundamentals, Antoine, Raoult.
 */
final readonly class Protection
{
    /** Under this the inhibitors are thin too. */
    private const WEAK = 0.25;
    /** K below the coldest night it should freeze at the earliest. */
    private const MARGIN = 5.0;

    /**
     * @param Pressure $cap over the air
     * @param Temperature $normal where it boils at sea level
     */
    private function __construct(
        public Glycol $base, public Share $strength, public Pressure $cap, public Air $air, public Temperature $freeze,
        public Temperature $normal,
    ) {
    }

    /** @throws InvalidInput past the table */
    public static function of(Glycol $base, Share $strength, Pressure $cap, Air $air): self
    {
        return new self(
            $base, $strength, $cap, $air, Temperature::celsius($base->freezing($strength->percent())),
            Temperature::celsius($base->normalBoiling($strength->percent())),
        );
    }

    /** Of the water in it, of one. */
    public function activity(): Formula
    {
        return Formula::of('a = sea / Pw(Tb0)', [
            'sea' => Term::fixed(Air::SEA_LEVEL), 'Pw(Tb0)' => WaterVapour::pressure($this->normal)->kilopascals,
        ]);
    }

    public function boilsOpen(): Temperature
    {
        return $this->boilsAt($this->air->pressure);
    }

    public function boilsCapped(): Temperature
    {
        return $this->boilsAt($this->air->pressure->plus($this->cap));
    }

    public function freezesBefore(Temperature $coldest): bool
    {
        return $this->freeze->kelvinsAbove($coldest) > 0.0;
    }

    public function hasLittleMargin(Temperature $coldest): bool
    {
        return $this->freeze->kelvinsAbove($coldest) > -self::MARGIN;
    }

    public function isWeak(): bool
    {
        return $this->strength->ofOne < self::WEAK;
    }

    private function boilsAt(Pressure $absolute): Temperature
    {
        return WaterVapour::temperature(Pressure::kilopascals($absolute->kilopascals / $this->activity()->value));
    }
}
