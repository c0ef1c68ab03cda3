<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Bench;

use NimbleKnuckle\App\Devices\DeviceAtHand;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DevicesAtHand;
use NimbleKnuckle\App\Devices\GaugeView;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Devices\WrenchView;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Vehicle\Joint;

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
            $all, $inHand, null === $inHand ? null : GaugeView::of($reading), ReadingRecord::mark($reading),
            null === $inHand ? null : WrenchTask::next($fit, $joint), Fault::cases(),
        );
    }
}
