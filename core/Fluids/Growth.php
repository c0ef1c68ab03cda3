<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

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
    private const WATCH = 0.03;
    private const STOP = 0.08;

    /** @param float $expansion per kelvin */
    private function __construct(public Volume $volume, public float $expansion, public Volume $growth)
    {
    }

    public static function of(Volume $volume, Share $strength, Temperature $cold, Temperature $hot): self
    {
        $expansion = 4.7e-4 + 2.2e-6 * $strength->percent();

        return new self($volume, $expansion, $volume->times($expansion * $hot->kelvinsAbove($cold)));
    }

    /** Of the way between the marks, from the lower one, where it stands cold. */
    public function ofMarks(Volume $marks): Share
    {
        return Share::ofOne($this->growth->over($marks));
    }

    public function ofVolume(Volume $toppedUp): Share
    {
        return Share::ofOne($toppedUp->over($this->volume));
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
