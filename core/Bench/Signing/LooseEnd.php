<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

/** Something opened, removed, dropped, waiting or due that has not been closed; the step is where it is closed. */
final readonly class LooseEnd
{
    public function __construct(
        public string $id, public LooseEndKind $kind, public string $what, public string $step, public string $since,
    ) {
    }

    /** Whether opening its step again is how it is closed; the others close by themselves or have a button of their own. */
    public function isMendedAtItsStep(): bool
    {
        return in_array(
            $this->kind,
            [
                LooseEndKind::Removed, LooseEndKind::Tray, LooseEndKind::Joint, LooseEndKind::Circuit, LooseEndKind::Reading,
                LooseEndKind::Safety, LooseEndKind::Curve, LooseEndKind::Step, LooseEndKind::Flow, LooseEndKind::Support,
                LooseEndKind::Battery, LooseEndKind::Raised,
            ],
            true,
        );
    }
}
