<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;

/** What the bench shows of thermometers at a step that warms the engine up. */
final readonly class ThermometerView
{
    /**
     * @param list<DeviceAtHand> $all
     * @param array{plot: object, now: float, minutes: float}|null $curve nothing where nothing was sent
     * @param string $since the mark of the last reading, so that a page knows whether it has it
     * @param list<EngineFault> $faults what a simulated one can be told to do
     */
    public function __construct(
        public array $all, public ?DeviceAtHand $inHand, public ?array $curve, public ?ReadingRecord $reading, public string $since,
        public array $faults,
    ) {
    }
}
