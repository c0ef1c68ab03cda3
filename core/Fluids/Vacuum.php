<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Air;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * How deep a vacuum fill may pull and what air it leaves; vacuums are gauge, positive downwards. The deepest before water boils
 * is Patm − Pw(T); the air left is V (Patm − pulled)/Patm. Source: Boyle's law, Antoine equation for water.
 */
final readonly class Vacuum
{
    /** Of the deepest. */
    public const AIM = 0.9;

    /** @param Pressure $limit below nothing where it boils without any vacuum */
    private function __construct(
        public Air $air, public Temperature $temperature, public Volume $volume, public Pressure $pulled, public Pressure $vapour,
        public Pressure $limit,
    ) {
    }

    public static function of(Air $air, Temperature $temperature, Volume $volume, Pressure $pulled): self
    {
        $vapour = WaterVapour::pressure($temperature);

        return new self($air, $temperature, $volume, $pulled, $vapour, $air->pressure->minus($vapour));
    }

    public function aim(): Pressure
    {
        return Pressure::kilopascals(self::AIM * max(0.0, $this->limit->kilopascals));
    }

    /** Back at air pressure. */
    public function airLeft(): Volume
    {
        $air = $this->air->pressure->kilopascals;

        return $this->volume->times(max(0.0, $air - $this->pulled->kilopascals) / $air);
    }

    public function isTooHot(): bool
    {
        return $this->limit->kilopascals <= 0.0;
    }

    public function isBelowBoiling(): bool
    {
        return $this->pulled->kilopascals > $this->limit->kilopascals;
    }

    public function isDeeperThanAim(): bool
    {
        return $this->pulled->kilopascals > $this->aim()->kilopascals;
    }
}
