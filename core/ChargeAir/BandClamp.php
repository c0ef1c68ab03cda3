<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
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
        return Force::newtons($this->formula($torque, $screw)->value);
    }

    /** N; nothing of a spring, which has no screw. @param float $screw mm across the bolt of a T-bolt clamp */
    public function formula(Torque $torque, float $screw): Formula
    {
        $moment = Term::readAs(1000 * $torque->newtonMetres, $torque->newtonMetres, 'N·m');

        return match ($this) {
            self::Worm => Formula::of('2π · left · M/lead', [
                'left' => Term::fixed(self::WORM_LEFT), 'lead' => Term::fixed(self::WORM_LEAD), 'M' => $moment,
            ]),
            self::TBolt => Formula::of('M/(k d)', ['k' => Term::fixed(self::NUT), 'd' => Term::of($screw, 'mm'), 'M' => $moment]),
            self::Spring => Formula::of('0', []),
        };
    }

    /** mm a turn of its screw draws the band; nothing of a spring. @param float $pitch mm of the bolt of a T-bolt clamp */
    public function lead(float $pitch): float
    {
        return match ($this) {
            self::Worm => self::WORM_LEAD,
            self::TBolt => $pitch,
            self::Spring => 0.0,
        };
    }
}
