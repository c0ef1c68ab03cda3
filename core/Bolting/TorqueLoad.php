<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Stress;
use NimbleKnuckle\Core\Quantity\Torque;

/**
 * A torque against what its thread can stand, friction at its low end: the share of yield, and what the hole bears with one
 * diameter engaged. Source: VDI 2230-1; strip on the basic profile, ISO 68-1.
 */
final readonly class TorqueLoad
{
    /** Above this share of yield, or of strip, little is left. */
    public const NEAR = 0.8;

    private function __construct(
        public Torque $torque, public Bolt $bolt, public Force $yieldForce, public Torque $yieldTorque, public Share $ofYield,
        public Force $pull,
    ) {
    }

    public static function of(Torque $torque, Bolt $bolt): self
    {
        $friction = $bolt->friction->low;
        $head = $bolt->friction->head($friction);
        $yieldTorque = $bolt->preload()->yieldTorque($friction, $head);

        return new self(
            $torque, $bolt, $bolt->preload()->atShareOfYield(Share::whole(), $friction), $yieldTorque,
            Share::ofHundred(self::share($torque, $yieldTorque)->value), $bolt->mostPreload($torque),
        );
    }

    /** Strips the hole's thread with one diameter engaged. */
    public function stripForce(Material $material): Force
    {
        return Force::newtons($this->stripFormula($material)->value);
    }

    /** N. */
    public function stripFormula(Material $material): Formula
    {
        $threads = new Engagement($this->bolt->thread, $this->bolt->grade, Stress::megapascals($material->shearStrength()));

        return $threads->internalFormula(Length::millimetres($this->bolt->thread->diameter));
    }

    /** N·m that brings it to yield. */
    public function yieldFormula(): Formula
    {
        $low = $this->bolt->friction->low;

        return $this->bolt->preload()->torqueFormula($this->yieldForce, $low, $this->bolt->friction->head($low));
    }

    /** Percent. */
    public function shareFormula(): Formula
    {
        return self::share($this->torque, $this->yieldTorque);
    }

    private static function share(Torque $torque, Torque $yield): Formula
    {
        return Formula::of('u = 100 T / M', ['T' => $torque->newtonMetres, 'M' => $yield->newtonMetres]);
    }

    public function ofStrip(Material $material): Share
    {
        return Share::ofOne($this->pull->over($this->stripForce($material)));
    }

    public function isPastYield(): bool
    {
        return $this->ofYield->ofOne > 1.0;
    }

    public function isNearYield(): bool
    {
        return !$this->isPastYield() && $this->ofYield->ofOne > self::NEAR;
    }
}
