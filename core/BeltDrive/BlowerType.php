<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** How a driven compressor answers its speed. */
enum BlowerType: string
{
    case PositiveDisplacement = 'positive-displacement';
    case Centrifugal = 'centrifugal';

    /** The pressure ratio at so many times the old speed. */
    public function ratio(float $old, float $faster): float
    {
        return self::Centrifugal === $this ? 1 + ($old - 1) * $faster ** 2 : $old * $faster;
    }
}
