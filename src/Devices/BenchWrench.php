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
    public function __construct(private DeviceBook $devices, private ReadingBook $readings)
    {
    }

    /** @return array<string, mixed> */
    public function view(Fit $fit, Joint $joint, string $fitId, string $step): array
    {
        $all = $this->devices->all(DeviceKind::Wrench);
        $inHand = array_values(array_filter($all, static fn (DeviceRecord $d): bool => $d->isInHandAt($fitId, $step)))[0] ?? null;
        $reading = null === $inHand ? null : $this->readings->latest($fitId, $step);

        return [
            'all' => $all,
            'inHand' => $inHand,
            'gauge' => null === $inHand ? null : GaugeView::of($reading),
            'since' => BenchDevicesController::mark($reading),
            'task' => null === $inHand ? null : WrenchTask::next($fit, $joint),
            'faults' => Fault::cases(),
        ];
    }
}
