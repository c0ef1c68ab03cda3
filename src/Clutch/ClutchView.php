<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Clutch;

use NimbleKnuckle\App\Devices\DeviceAtHand;
use NimbleKnuckle\Core\Bench\Task\ClutchTrials;
use NimbleKnuckle\Core\Clutch\NextStack;
use NimbleKnuckle\Core\Clutch\StackDrawing;

/** What the bench shows where a slip clutch is tried. */
final readonly class ClutchView
{
    /**
     * @param ?ClutchTrials $known null while disc, linings or the slip that is wanted are not known
     * @param list<array{n: int, said: string, drawing: StackDrawing, height: float, shims: float, thread: ?float, pulls: string,
     *     mean: float, spread: float, bedded: float, isIn: bool, by: string, isOdd: bool, disc: ?int}> $trials
     * @param array<array-key, mixed> $typed what stands in the form
     * @param list<DeviceAtHand> $wrenches that send
     */
    public function __construct(
        public ?ClutchTrials $known, public array $trials, public ?NextStack $next, public array $typed, public array $wrenches,
        public bool $isSimulated,
    ) {
    }
}
