<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/**
 * Whether boost pushes a hose off its pipe: the push on the area of the pipe against what the band holds by friction and, behind a
 * bead, by its flank. Friction of the hose under its own band is allowed for with a quarter of the tension.
 */
final readonly class HoseHold
{
    private const SPREAD = 0.3;
    private const LEFT = 0.75;

    /** @param float $margin of the least it holds over the push */
    private function __construct(public Force $push, public Force $band, public Force $hold, public Force $least, public float $margin)
    {
    }

    /** @param float $flank degrees of the bead; 0 without one */
    public static function of(Length $diameter, Pressure $boost, Force $band, float $friction, float $flank): self
    {
        $push = Force::newtons(1e-3 * $boost->kilopascals * \M_PI * $diameter->millimetres ** 2 / 4);
        $hold = $band->times(self::grip($friction, $flank));
        $least = $band->times(self::LEFT * self::grip((1 - self::SPREAD) * $friction, $flank));

        return new self($push, $band, $hold, $least, $least->over($push));
    }

    private static function grip(float $friction, float $flank): float
    {
        $slope = tan(deg2rad($flank));

        return 2 * \M_PI * ($slope + $friction) / (1 - $friction * $slope);
    }
}
