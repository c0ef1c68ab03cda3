<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

/** One mount in the plane square to the torque: its place in mm, its stiffness sideways and upright in N/mm, what it is of. */
final readonly class EngineMount
{
    public function __construct(
        public string $name, public float $x, public float $y, public float $kx, public float $ky, public bool $isRubber,
    ) {
    }

    /** Share of critical damping: working values for rubber and polyurethane. */
    public function damping(): float
    {
        return $this->isRubber ? 0.08 : 0.10;
    }
}
