<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;

/** Air on its way through a cooler: how warm before and after, held against outside. Percent of the way, °C. */
final readonly class CoolerDrawing
{
    private const POINTS = 20;

    public static function of(float $before, float $after, float $ambient, ?float $expected): Plot
    {
        // It nears the air outside as what flows along a cold wall does.
        $points = [[0.0, $before], [20.0, $before]];
        for ($i = 1; $i <= self::POINTS; ++$i) {
            $share = $i / self::POINTS;
            $left = ($after - $ambient) / ($before - $ambient);
            $points[] = [20 + 60 * $share, $ambient + ($before - $ambient) * max(1e-3, $left) ** $share];
        }
        $points[] = [100.0, $after];
        $most = max($before, $expected ?? $before);
        $plot = Plot::over('Air on its way through the cooler', '%', [0.0, 100.0], '°C', [min(0.0, $ambient), 1.12 * $most])
            ->level(
                $ambient, sprintf('outside %s °C', Show::n($ambient, 3)), 'ink',
            )->mark(20.0, '')->mark(80.0, '')->line($points, 'trace')
            ->dot(10.0, $before, Show::n($before, 3).' °C')->dot(92.0, $after, Show::n($after, 3).' °C');

        return null === $expected ? $plot : $plot->level($expected, sprintf('to expect %s °C', Show::n($expected, 3)), 'dash');
    }
}
