<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\WrenchTask;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Trace\Fault;

/** The measuring wrench as the bench shows it at a step that tightens a joint. */
final readonly class BenchWrench
{
    public function __construct(private DevicesAtHand $devices, private ReadingBook $readings)
    {
    }

    public function view(Fit $fit, Joint $joint, string $fitId, string $step): WrenchView
    {
        $all = $this->devices->of(DeviceKind::Wrench, $fitId, $step);
        $inHand = DeviceAtHand::here($all);
        $reading = null === $inHand ? null : $this->readings->latest($fitId, $step);

        return new WrenchView(
            $all, $inHand, null === $inHand ? null : GaugeView::of($reading), BenchDevicesController::mark($reading),
            null === $inHand ? null : WrenchTask::next($fit, $joint), Fault::cases(),
        );
    }
}
