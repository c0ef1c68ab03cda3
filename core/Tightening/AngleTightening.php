<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Torque;

/**
 * What a snug torque and an angle do to a bolt at typical friction: snug and what the angle adds, and no more than yield.
 * Source: VDI 2230-1; Wileman, Choudhury & Green 1991 for the clamped parts.
 */
final readonly class AngleTightening
{
    /** @param Force $preload never more than what yields */
    private function __construct(
        public Bolt $bolt, public Springs $springs, public Torque $snugTorque, public Angle $angle, public Force $snug,
        public Force $added, public Force $yield, public Force $preload,
    ) {
    }

    public static function of(Bolt $bolt, Springs $springs, Torque $snugTorque, Angle $angle): self
    {
        $snug = $bolt->typicalPreload($snugTorque);
        $added = Force::newtons($springs->angleFormula($angle->degrees)->value);
        $yield = $bolt->yieldsAt();

        return new self(
            $bolt, $springs, $snugTorque, $angle, $snug, $added, $yield, Force::newtons(self::limited($snug, $added, $yield)->value),
        );
    }

    /** N. */
    public function preloadFormula(): Formula
    {
        return self::limited($this->snug, $this->added, $this->yield);
    }

    private static function limited(Force $snug, Force $added, Force $yield): Formula
    {
        return Formula::of('F = min(snug + by angle, yield-limited)', [
            'snug' => $snug->newtons, 'by angle' => $added->newtons, 'yield-limited' => $yield->newtons,
        ]);
    }

    /** Of yield; more than the whole where the angle goes on past it. */
    public function ofYield(): Share
    {
        return Share::ofOne($this->snug->plus($this->added)->over($this->yield));
    }

    public function stretch(): Length
    {
        return $this->springs->stretch($this->preload);
    }

    public function isPastYieldAtSnug(): bool
    {
        return $this->snug->newtons > $this->yield->newtons;
    }

    public function goesIntoYield(): bool
    {
        return !$this->isPastYieldAtSnug() && $this->ofYield()->ofOne > 1.0;
    }
}
