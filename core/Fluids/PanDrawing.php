<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;

/** How far a thermostat stands open over temperature, up and down again, with its stamp. */
final readonly class PanDrawing
{
    /** All in °C; without a full opening or a closing only what is known is drawn. */
    public static function of(PanTest $test): Plot
    {
        [$stamp, $opened] = [$test->stamp->celsius, $test->opened->celsius];
        [$full, $closed] = [$test->full?->celsius, $test->closed?->celsius];
        $low = min($stamp, $opened, $closed ?? $opened) - 10;
        $high = max($stamp, $full ?? $opened + 12) + 8;
        $plot = Plot::over(
            sprintf('Opening of the thermostat over temperature: begins at %s degrees, stamped %s', Show::n($opened), Show::n($stamp)),
            '°C', [$low, $high], '% open', [0.0, 110.0],
        )
            ->area($stamp - 3, $stamp + 3, 'window', true)->mark($stamp, sprintf('stamp %s', Show::n($stamp)))
            ->line([[$low, 0.0], [$opened, 0.0], [$full ?? $opened + 12, 100.0], [$high, 100.0]], null === $full ? 'dash' : 'trace')
            ->dot($opened, 0.0, Show::n($opened).' opens');
        if (null !== $full) {
            $plot = $plot->dot($full, 100.0, Show::n($full).' full');
        }

        return null === $closed ? $plot : $plot->line([[$full ?? $opened + 12, 100.0], [$closed, 0.0]], 'ink')->dot($closed, 0.0, '');
    }
}
