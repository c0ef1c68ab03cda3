<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;

/** What a measuring wrench shows: the figure it is to reach, the torque now, the trace as it grows, what was made of it. */
final readonly class GaugeView
{
    private function __construct(public ?ReadingRecord $reading, public ?Plot $plot, public float $torque, public float $angle)
    {
    }

    public static function of(?ReadingRecord $reading): self
    {
        if (null === $reading) {
            return new self(null, null, 0.0, 0.0);
        }
        $spec = $reading->taskNumber('angle') > 0 ? TraceSpec::angle(
            $reading->taskNumber('torque'), $reading->taskNumber('angle'), $reading->taskNumber('from'),
        ) : TraceSpec::torque(max(0.01, $reading->taskNumber('torque')), $reading->taskNumber('from'));
        $samples = array_map(static fn (array $s): array => [$s[0] ?? 0.0, $s[1] ?? 0.0], $reading->samples);
        $torques = array_column($samples, 1);

        return new self(
            $reading, TraceDrawing::of($samples, $spec),
            [] === $torques ? 0.0 : ($reading->done ? max($torques) : $torques[count($torques) - 1]),
            [] === $samples ? 0.0 : $samples[count($samples) - 1][0],
        );
    }
}
