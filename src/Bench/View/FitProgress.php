<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Curve\AtOnce;

/** What stands open: of the step, of the fit, and what runs by itself meanwhile. */
final readonly class FitProgress implements Shown
{
    /** What the finding of the stop asks of the mechanic at once. */
    public ?AtOnce $atOnce;

    /**
     * @param list<LooseEnd> $ends
     * @param list<LooseEnd> $endsHere
     * @param list<Running> $waits
     */
    public function __construct(
        public bool $closed,
        public bool $live,
        public array $ends,
        public array $endsHere,
        public float $minutesLeft,
        public array $waits,
        public ?FitEvent $stop,
        public ?Running $running,
    ) {
        $this->atOnce = AtOnce::tryFrom($stop?->string('finding') ?? '');
    }
}
