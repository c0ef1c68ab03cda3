<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\State\FillRun;
use NimbleKnuckle\Core\Fluids\Fill\CircuitDrawing;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;

/** A fill routine as it runs: its stage, the circuit meanwhile, seconds left, and until when by the server's clock. */
final readonly class Fill
{
    public function __construct(
        public FillRun $run, public FillStage $stage, public CircuitDrawing $drawing, public float $left, public float $until,
    ) {
    }
}
