<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** How far a fit is, as its summary says. */
final readonly class Progress
{
    public function __construct(
        public string $phase, public string $stepTitle, public int $stepsDone, public int $stepsAll, public int $looseEnds,
        public int $findings, public string $waits,
    ) {
    }
}
