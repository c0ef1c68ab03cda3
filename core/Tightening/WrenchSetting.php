<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;

/** What to set a torque wrench to when an adapter changes its lever: S = T L / (L + A cos φ), moments about the fastener. */
final readonly class WrenchSetting
{
    /** The least share of its lever that may be left of a wrench folded back. */
    private const LEAST = 0.1;

    /** @param Length $reach from handle centre to bolt */
    private function __construct(
        public Torque $target, public Length $lever, public Length $adapter, public Angle $adapterAngle, public Length $reach,
    ) {
    }

    /**
     * @param Length $lever from handle centre to drive
     * @param Length $adapter from drive to bolt; none without an adapter
     * @param Angle $adapterAngle 0 straight out, 90 square to the handle, 180 folded back
     */
    public static function of(Torque $target, Length $lever, Length $adapter, Angle $adapterAngle): self
    {
        $reach = $lever->millimetres + $adapter->millimetres * cos($adapterAngle->radians());

        return new self($target, $lever, $adapter, $adapterAngle, Length::millimetres($reach));
    }

    /** Whether enough lever is left to turn the bolt with. */
    public function isWorkable(): bool
    {
        return $this->lever->millimetres > 0.0 && $this->reach->millimetres >= self::LEAST * $this->lever->millimetres;
    }

    /** Setting over torque at the bolt. */
    public function factor(): float
    {
        return $this->lever->over($this->reach);
    }

    public function setting(): Torque
    {
        return $this->target->times($this->factor());
    }
}
