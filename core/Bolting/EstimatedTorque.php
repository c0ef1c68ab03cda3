<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Stress;
use NimbleKnuckle\Core\Quantity\Torque;

/**
 * A torque where nobody knows one: preload at a share of yield, held under what strips the thread, times the friction lever.
 * It is an estimate, never a specification. Source: VDI 2230-1.
 */
final readonly class EstimatedTorque
{
    /** Of yield, in percent, where nothing else is asked for. */
    public const SHARE = 65.0;
    /** The estimate stays this far under the strip force. */
    public const STRIP_SAFETY = 1.25;

    /**
     * @param Force $wanted by the share of yield alone
     * @param ?Force $strip what strips the thread; null where it is not known what it screws into
     */
    private function __construct(
        public Bolt $bolt, public Force $wanted, public ?Force $strip, public Force $preload, public Torque $torque,
    ) {
    }

    /** @param ?Length $engaged one diameter where it is not given */
    public static function of(Bolt $bolt, Share $share, ?Material $into = null, ?Length $engaged = null): self
    {
        $wanted = $bolt->typicalAt($share);
        $strip = null === $into ? null : (new Engagement($bolt->thread, $bolt->grade, Stress::megapascals($into->shearStrength())))
            ->stripForce($engaged ?? Length::millimetres($bolt->thread->diameter));
        $preload = null === $strip ? $wanted : $wanted->orLess($strip->times(1 / self::STRIP_SAFETY));

        return new self($bolt, $wanted, $strip, $preload, $bolt->typicalTorque($preload));
    }

    public static function usual(Bolt $bolt, ?Material $into = null): self
    {
        return self::of($bolt, Share::ofHundred(self::SHARE), $into);
    }

    public function isCapped(): bool
    {
        return $this->preload->newtons < $this->wanted->newtons;
    }

    public function yieldTorque(): Torque
    {
        return $this->bolt->typicalTorque($this->bolt->yieldsAt());
    }

    public function preloadLow(): Force
    {
        return $this->bolt->leastPreload($this->torque);
    }

    public function preloadHigh(): Force
    {
        return $this->bolt->mostPreload($this->torque);
    }

    /** At the low end of friction, against yield there. */
    public function highOfYield(): Share
    {
        $yield = $this->bolt->preload()->atShareOfYield(Share::whole(), $this->bolt->friction->low);

        return Share::ofOne($this->preloadHigh()->over($yield));
    }

    /** At the low end of friction, against what strips; nothing where that is not known. */
    public function highOfStrip(): Share
    {
        return Share::ofOne(null === $this->strip ? 0.0 : $this->preloadHigh()->over($this->strip));
    }

    /** The most torque that keeps clear of stripping even at the low end of friction. */
    public function holdingTorque(Force $strip): Torque
    {
        $low = $this->bolt->friction->low;

        return $this->bolt->preload()->torqueFor($strip->times(1 / self::STRIP_SAFETY), $low, $this->bolt->friction->head($low));
    }
}
