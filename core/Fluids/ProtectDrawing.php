<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\SumResult;

/** Freezing, boiling in the open and boiling under the cap over strength, with the place where this coolant stands. */
final readonly class ProtectDrawing
{
    /**
     * @param float $percent by volume
     * @param float $cap kPa gauge
     */
    public static function of(SumResult $result, Glycol $base, float $percent, float $cap, Air $air): Plot
    {
        $freeze = $open = $capped = [];
        foreach ($base->rows() as [$strength, $freezing, $boiling]) {
            $activity = Air::SEA_LEVEL / WaterVapour::pressure($boiling);
            $freeze[] = [$strength, $freezing];
            $open[] = [$strength, WaterVapour::temperature($air->pressure / $activity)];
            $capped[] = [$strength, WaterVapour::temperature(($air->pressure + $cap) / $activity)];
        }
        $plot = Plot::over(
            sprintf(
                'Freezing and boiling of %s over strength; here %s percent: freezes at %s, boils at %s and %s degrees',
                $base->inWords(), Show::n($percent), Show::n($result->number('freeze'), 3),
                Show::n($result->number('boil_open'), 4), Show::n($result->number('boil_capped'), 4),
            ),
            '%', [0.0, 62.0], '°C', [-60.0, 150.0],
        )
            ->area($result->number('freeze'), $result->number('boil_open'))
            ->line($freeze)->line($open, 'ink')->mark($percent, '')
            ->dot(
                $percent, $result->number('freeze'), Show::n($result->number('freeze'), 3).' freezes',
            )->dot($percent, $result->number('boil_open'), '');

        return $cap > 0.0 ? $plot->line($capped, 'pen')->dot(
            $percent, $result->number('boil_capped'), Show::n($result->number('boil_capped'), 4).' under the cap',
        ) : $plot->dot($percent, $result->number('boil_open'), Show::n($result->number('boil_open'), 4).' boils');
    }
}
