<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/**
 * One stage of a fastener: its number, what brings it there, percent of the figure or degrees to turn, and which
 * rungs are done in one go a bolt.
 */
final readonly class Rung
{
    public function __construct(
        public int $stage, public RungKind $kind, public string $label, public float $share, public float $degrees,
        public int $group,
    ) {
    }

    /** Whether a torque wrench is read at it. */
    public function isByTorque(): bool
    {
        return RungKind::Torque === $this->kind || RungKind::Check === $this->kind;
    }
}
