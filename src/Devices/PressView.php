<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Bench\PressTask;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\PressFit\PressFault;

/** What the bench shows where a hub is pressed on: what its screw is to feel, the curve that was handed in, the simulated press. */
final readonly class PressView
{
    /**
     * @param ?PressTask $task null while something is not measured
     * @param ?Plot $plot null where no curve was handed in
     * @param list<DeviceAtHand> $all presses that send
     * @param ?DeviceAtHand $simulated the press that ships, where the workshop keeps one
     * @param list<PressFault> $faults what that one can be told to do
     */
    public function __construct(
        public ?PressTask $task, public ?ReadingRecord $reading, public ?Plot $plot, public array $all,
        public ?DeviceAtHand $simulated, public array $faults,
    ) {
    }
}
