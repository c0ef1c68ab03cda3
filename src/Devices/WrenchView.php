<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Trace\Fault;

/** What the bench shows of measuring wrenches at a joint; the gauge and the task only with one in hand. */
final readonly class WrenchView
{
    /**
     * @param list<DeviceAtHand> $all
     * @param string $since the mark of the last reading, so that a page knows whether it has it
     * @param list<Fault> $faults what a simulated one can be told to do
     */
    public function __construct(
        public array $all, public ?DeviceAtHand $inHand, public ?GaugeView $gauge, public string $since, public ?WrenchTask $task,
        public array $faults,
    ) {
    }
}
