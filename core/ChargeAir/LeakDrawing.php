<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Show;

/** Pressure over time through the hole that was worked out, with the two readings on it. s and kPa. */
final readonly class LeakDrawing
{
    private const POINTS = 24;

    public static function of(Leak $leak, Pressure $from, Pressure $to, float $seconds): Plot
    {
        $longest = min(6 * $seconds, max(1.6 * $seconds, 1.1 * $leak->halfTime));
        $points = [];
        for ($i = 0; $i <= self::POINTS; ++$i) {
            $at = $longest * $i / self::POINTS;
            $points[] = [$at, $leak->after($from, $at)];
        }

        return Plot::over('Pressure over seconds while it is shut', 's', [0.0, $longest], 'kPa', [0.0, 1.15 * $from->kilopascals])
            ->level($from->kilopascals / 2, 'half', 'dash')->line($points, 'trace')
            ->dot(0.0, $from->kilopascals, Show::n($from->kilopascals, 3).' kPa')
            ->dot($seconds, $to->kilopascals, Show::n($to->kilopascals, 3).' kPa');
    }

    /**
     * A gauge that was watched, with what the hole that was worked out of it would do.
     *
     * @param non-empty-list<array{float, float}> $samples
     */
    public static function run(array $samples, LeakRun $run): Plot
    {
        $begun = $samples[0][0];
        $points = array_map(static fn (array $one): array => [$one[0] - $begun, $one[1]], $samples);
        $most = max([1.0, $run->from, ...array_column($points, 1)]);
        $plot = Plot::over(
            'Pressure over seconds while it is shut', 's', [0.0, max(1.0, 1.05 * $run->seconds)], 'kPa', [0.0, 1.15 * $most],
        );
        if (null !== $run->leak) {
            $plot = $plot->line(array_map(static fn (int $i): array => [
                $run->begins() + $run->apart() * $i / self::POINTS,
                $run->leak->after(Pressure::kilopascals($run->from), $run->apart() * $i / self::POINTS),
            ], range(0, self::POINTS)), 'dash');
        }

        return $plot->line($points, 'trace')->dot($run->seconds, $run->to, Show::n($run->to, 3).' kPa');
    }
}
