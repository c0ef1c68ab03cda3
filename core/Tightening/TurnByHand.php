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
 * Without a wrench that fits: snug by hand, then the part of a turn that gives the preload the figure would give, and more for
 * a seal that gives way. Source: as AngleTightening.
 */
final readonly class TurnByHand
{
    /** Of the figure, in percent: what a hand takes for snug where nobody measured it. */
    public const SNUG_SHARE = 25.0;
    /** How far a hand may be off what it takes for snug. */
    private const FELT = [0.5, 1.5];

    /**
     * @param Formula $clamping degrees that clamp
     * @param Formula $seal degrees that first squeeze the seal
     */
    private function __construct(
        public Bolt $bolt, public Torque $snugTorque, public Force $preload, public Force $snug, public Formula $clamping,
        public Formula $seal,
    ) {
    }

    public static function of(Bolt $bolt, Springs $springs, Torque $target, Torque $snugTorque, Length $sealTravel): self
    {
        $preload = $bolt->typicalPreload($target);
        $snug = $bolt->typicalPreload($snugTorque);

        return new self($bolt, $snugTorque, $preload, $snug, Formula::of('θ = 360 (F − Fsnug)(1/kb + 1/km) / P', [
            'F' => $preload->newtons, 'Fsnug' => $snug->newtons, 'kb' => $springs->bolt(), 'km' => $springs->members(),
            'P' => $bolt->thread->pitch,
        ]), Formula::of('θ = 360 s / P', ['s' => $sealTravel->millimetres, 'P' => $bolt->thread->pitch]));
    }

    public function angle(): Angle
    {
        return Angle::degrees($this->clamping->value + $this->seal->value);
    }

    public function ofYield(): Share
    {
        return Share::ofOne($this->preload->over($this->bolt->yieldsAt()));
    }

    /** Where snug was felt half as hard. */
    public function preloadLow(): Force
    {
        return $this->felt(self::FELT[0]);
    }

    /** Where snug was felt half as hard again. */
    public function preloadHigh(): Force
    {
        return $this->felt(self::FELT[1]);
    }

    private function felt(float $times): Force
    {
        return $this->bolt->typicalPreload($this->snugTorque->times($times))->plus($this->preload->minus($this->snug));
    }
}
