<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A fastener is at a stage of its ladder, 0 being off. Setting and torque in N·m; the pull it was read off is the wrench’s to say. */
final readonly class FastenerMarked implements Fact
{
    public function __construct(
        public string $joint, public int $bolt, public int $stage, public string $step = '', public string $wrench = '',
        public float $setting = 0.0, #[FromServer] public string $reading = '', #[FromServer] public float $torque = 0.0,
    ) {
    }
}
