<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Joint;

/**
 * One stage of a fastener: its number, what brings it there, percent of the figure or degrees to turn, and which
 * rungs are done in one go a bolt.
 */
final readonly class TighteningStage
{
    public function __construct(
        public int $stage, public StageKind $kind, public string $label, public float $share, public float $degrees,
        public int $group,
    ) {
    }

    /** Whether a torque wrench is read at it. */
    public function isByTorque(): bool
    {
        return StageKind::Torque === $this->kind || StageKind::Check === $this->kind;
    }
}
