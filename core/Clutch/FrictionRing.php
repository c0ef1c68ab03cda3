<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** The faces that slip: torque for a force, at an even pressure. mm, N, N·m. */
final readonly class FrictionRing
{
    /** Effective radius times faces, m. */
    public float $arm;

    public function __construct(float $outer, float $inner, float $faces)
    {
        [$ro, $ri] = [$outer / 2000, $inner / 2000];
        $this->arm = $faces * 2 / 3 * ($ro ** 3 - $ri ** 3) / ($ro ** 2 - $ri ** 2);
    }

    public function torque(float $force, float $friction): float
    {
        return $friction * $force * $this->arm;
    }
}
