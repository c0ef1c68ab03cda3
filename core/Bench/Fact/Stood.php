<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** What the vehicle stands on now, whatever the sheet thought: which wheels are off, where it is, and whether it can be rolled. */
final readonly class Stood implements Fact
{
    /** @param string $wheelsOff corners, “fl,fr”; empty for none beside those the sheet has off */
    public function __construct(
        public string $stance, public string $wheelsOff = '', public string $place = '', public ?int $rolls = null,
        public string $reason = '',
    ) {
    }
}
