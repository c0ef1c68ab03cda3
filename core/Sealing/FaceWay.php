<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Quantity\Duration;
use NimbleKnuckle\Core\Quantity\Temperature;

/**
 * The ways a joint face is sealed. Open and cure times are working values at 20 °C, doubled under 10 °C; what stands on the tube
 * goes before them.
 */
enum FaceWay: string
{
    case Gasket = 'gasket';
    case Ring = 'ring';
    case Anaerobic = 'anaerobic';
    case Silicone = 'silicone';
    case Reuse = 'reuse';

    /** °C under which a sealant takes twice as long. */
    public const COLD = 10.0;
    private const OPEN = 10.0;
    private const UNTIL_FLUID = 60.0;
    /** min until it bears full load and heat. */
    private const UNTIL_FULL = ['anaerobic' => 720.0, 'silicone' => 1440.0];

    public function isSealant(): bool
    {
        return self::Anaerobic === $this || self::Silicone === $this;
    }

    /** From the bead to the closed joint; nothing for what does not set. */
    public function open(): Duration
    {
        return Duration::minutes($this->isSealant() ? self::OPEN : 0.0);
    }

    public function untilFluid(Temperature $ambient): Duration
    {
        return Duration::minutes($this->isSealant() ? self::UNTIL_FLUID : 0.0)->times(self::slower($ambient));
    }

    public function untilFull(Temperature $ambient): Duration
    {
        return Duration::minutes(self::UNTIL_FULL[$this->value] ?? 0.0)->times(self::slower($ambient));
    }

    private static function slower(Temperature $ambient): float
    {
        return $ambient->celsius < self::COLD ? 2.0 : 1.0;
    }
}
