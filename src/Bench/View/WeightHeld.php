<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\State\LedgerDrawing;

/** Who carries engine and gearbox, where the step changes that. */
final readonly class WeightHeld implements Shown
{
    public function __construct(public ?LedgerDrawing $ledger)
    {
    }
}
