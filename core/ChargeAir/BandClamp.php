<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Torque;

/** A clamp round a hose, and what its screw makes of a torque. */
enum BandClamp: string
{
    case Worm = 'worm';
    case TBolt = 't-bolt';
    case Spring = 'spring';

    /** mm a turn of the worm draws the band, and how much of the turning is left: working values. */
    private const WORM_LEAD = 3.2;
    private const WORM_LEFT = 0.15;
    /** Nut factor of the bolt. */
    private const NUT = 0.20;

    /** Tension of the band. @param float $screw mm across the bolt of a T-bolt clamp */
    public function tension(Torque $torque, float $screw): Force
    {
        return Force::newtons(match ($this) {
            self::Worm => 2 * \M_PI * self::WORM_LEFT * 1000 * $torque->newtonMetres / self::WORM_LEAD,
            self::TBolt => 1000 * $torque->newtonMetres / (self::NUT * $screw),
            self::Spring => 0.0,
        });
    }
}
