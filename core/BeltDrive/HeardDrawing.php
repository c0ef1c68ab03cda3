<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Drawing\Plot;

/** A recording as a curve over its seconds, and where it was plucked. */
final readonly class HeardDrawing
{
    private const POINTS = 480;

    public static function of(Recording $recording, NoteDetector $heard): Plot
    {
        $points = [];
        $count = count($recording->samples);
        $each = max(1, intdiv($count, self::POINTS));
        for ($i = 0; $i < $count; $i += $each) {
            $part = array_slice($recording->samples, $i, $each);
            $points[] = [$i / $recording->rate, max(-1.0, ...$part)];
            $points[] = [($i + $each / 2) / $recording->rate, min(1.0, ...$part)];
        }
        $most = max(0.01, ...array_map(static fn (array $one): float => abs($one[1]), $points));

        return Plot::over(
            sprintf('A recording of %.1f seconds, plucked at %.1f seconds.', $recording->seconds(), $heard->at), 's',
            [0.0, $recording->seconds()], '', [-$most, $most],
        )->line($points, 'ink')->mark($heard->at, 'plucked');
    }
}
