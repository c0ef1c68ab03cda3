<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * An expansion tank with its two marks: where the coolant stands cold, and where it rises to hot; heights from the
 * bottom, in units of a frame in which the tank is 300 high.
 */
final readonly class TankDrawing
{
    public const HEIGHT = 300.0;
    public const LOWER = 110.0;
    public const UPPER = 210.0;

    private function __construct(
        public float $cold, public float $hot, public float $growth, public ?float $mark, public float $from, public float $to,
    ) {
    }

    /**
     * @param float $cold °C
     * @param float $hot °C
     */
    /** @param ?Volume $marks what fits between them; null where nobody knows */
    public static function of(Growth $growth, ?Volume $marks, Temperature $cold, Temperature $hot): self
    {
        $mark = null === $marks ? null : $growth->ofMarks($marks)->percent();

        return new self(
            self::LOWER, min(self::HEIGHT - 14, self::LOWER + (self::UPPER - self::LOWER) * ($mark ?? 50.0) / 100),
            $growth->growth->litres, $mark, $cold->celsius, $hot->celsius,
        );
    }
}
