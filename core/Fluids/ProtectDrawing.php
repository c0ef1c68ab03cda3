<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Show;

/** Freezing, boiling in the open and boiling under the cap over strength, with the place where this coolant stands. */
final readonly class ProtectDrawing
{
    public static function of(Protection $here): Plot
    {
        $freeze = $open = $capped = [];
        foreach ($here->base->rows() as [$percent, $freezing]) {
            $there = Protection::of($here->base, Share::ofHundred($percent), $here->cap, $here->air);
            $freeze[] = [$percent, $freezing];
            $open[] = [$percent, $there->boilsOpen()->celsius];
            $capped[] = [$percent, $there->boilsCapped()->celsius];
        }
        $percent = $here->strength->percent();
        [$freezes, $boils, $boilsCapped] = [$here->freeze->celsius, $here->boilsOpen()->celsius, $here->boilsCapped()->celsius];
        $plot = Plot::over(
            sprintf(
                'Freezing and boiling of %s over strength; here %s percent: freezes at %s, boils at %s and %s degrees',
                $here->base->inWords(), Show::n($percent), Show::n($freezes, 3), Show::n($boils, 4), Show::n($boilsCapped, 4),
            ),
            '%', [0.0, 62.0], '°C', [-60.0, 150.0],
        )
            ->area($freezes, $boils)
            ->line($freeze)->line($open, 'ink')->mark($percent, '')
            ->dot($percent, $freezes, Show::n($freezes, 3).' freezes')->dot($percent, $boils, '');

        return $here->cap->kilopascals > 0.0
            ? $plot->line($capped, 'pen')->dot($percent, $boilsCapped, Show::n($boilsCapped, 4).' under the cap')
            : $plot->dot($percent, $boils, Show::n($boils, 4).' boils');
    }
}
