<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * How far the level rises when the coolant gets hot: ΔV ≈ V β ΔT, β = 4.7e-4 + 2.2e-6·percent per K, a working value
 * between water and glycol, 20 to 90 °C.
 */
final readonly class Growth
{
    /** Of the volume, topped up next morning. */
    public const WATCH = 0.03;
    public const STOP = 0.08;

    private function __construct(
        public Volume $volume, public Volume $growth, public Formula $expansionFormula, public Formula $growthFormula,
    ) {
    }

    public static function of(Volume $volume, Share $strength, Temperature $cold, Temperature $hot): self
    {
        $expansion = Formula::of('β = 4.7·10⁻⁴ + 2.2·10⁻⁶ c', ['c' => Term::of($strength->percent(), '%')]);
        $growth = Formula::of('ΔV = V β (hot − cold)', [
            'V' => $volume->litres, 'β' => $expansion->value, 'hot' => $hot->celsius, 'cold' => $cold->celsius,
        ]);

        return new self($volume, Volume::litres($growth->value), $expansion, $growth);
    }

    /** Of the way between the marks, from the lower one, where it stands cold. */
    public function ofMarks(Volume $marks): Share
    {
        return Share::ofOne($this->ofMarksFormula($marks)->value);
    }

    public function ofMarksFormula(Volume $marks): Formula
    {
        return Formula::of('growth / marks', ['growth' => $this->growth->litres, 'marks' => $marks->litres]);
    }

    public function ofVolume(Volume $toppedUp): Share
    {
        return Share::ofOne($this->ofVolumeFormula($toppedUp)->value);
    }

    public function ofVolumeFormula(Volume $toppedUp): Formula
    {
        return Formula::of('top-up / V', ['top-up' => $toppedUp->litres, 'V' => $this->volume->litres]);
    }

    /** More topped up than working air explains. */
    public function isTooMuch(Volume $toppedUp): bool
    {
        return $this->ofVolume($toppedUp)->ofOne > self::STOP;
    }

    public function isMuch(Volume $toppedUp): bool
    {
        return $this->ofVolume($toppedUp)->ofOne > self::WATCH;
    }
}
