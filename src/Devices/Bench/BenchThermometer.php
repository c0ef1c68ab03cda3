<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Bench;

use NimbleKnuckle\App\Devices\DeviceAtHand;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DevicesAtHand;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Devices\ThermometerView;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Quantity\Temperature;

/** The thermometer as the bench shows it at a step that warms the engine up. */
final readonly class BenchThermometer
{
    public function __construct(private DevicesAtHand $devices, private ReadingBook $readings)
    {
    }

    public function view(string $fitId, string $step): ThermometerView
    {
        $all = $this->devices->of(DeviceKind::Thermometer, $fitId, $step);
        $reading = $this->readings->latest($fitId, $step);

        return new ThermometerView(
            $all, DeviceAtHand::here($all), self::curve($reading), $reading, ReadingRecord::mark($reading), EngineFault::cases(),
        );
    }

    /** @return array{plot: object, now: float, minutes: float}|null nothing where nothing was sent */
    public static function curve(?ReadingRecord $reading): ?array
    {
        if (null === $reading || 'temperature' !== $reading->kind || [] === $reading->samples) {
            return null;
        }
        $last = $reading->samples[count($reading->samples) - 1];

        return [
            'plot' => CurveDrawing::of(
                $reading->samples, Temperature::celsius($reading->taskNumber('opens')), ReadingBook::judgedCurve($reading),
            ),
            'now' => $last[1] ?? 0.0,
            'minutes' => (($last[0] ?? 0.0) - ($reading->samples[0][0] ?? 0.0)) / 60,
        ];
    }
}
