<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark;

use NimbleKnuckle\Core\Drawing\Plot;

/** kV over mm of gap, with its spread, what the coil can and what was chosen. */
final readonly class PlugGapDrawing
{
    private const POINTS = 24;

    /** @param ?float $coil kV; @param float $chosen mm */
    public static function of(SparkGap $spark, float $low, float $high, float $wear, ?float $coil, float $chosen): Plot
    {
        [$from, $to] = [max(0.05, 0.8 * $low), 1.1 * ($high + $wear)];
        $curve = static fn (float $times): array => array_map(static function (int $i) use ($spark, $from, $to, $times): array {
            $gap = $from + ($to - $from) * $i / self::POINTS;

            return [$gap, $times * $spark->demand($gap)];
        }, range(0, self::POINTS));
        $most = max(1.2 * $spark->demand($to), $coil ?? 0.0);
        $plot = Plot::over('Voltage a gap asks for, in kilovolts over millimetres', 'mm', [$from, $to], 'kV', [0.0, 1.1 * $most])
            ->line($curve(1 + SparkGap::SPREAD), 'dash')->line($curve(1 - SparkGap::SPREAD), 'dash')->line($curve(1.0), 'trace');
        $plot = null === $coil ? $plot : $plot->level($coil, 'the coil');

        return $plot->dot($chosen, $spark->demand($chosen), 'new')->dot($chosen + $wear, $spark->demand($chosen + $wear), 'worn');
    }
}
