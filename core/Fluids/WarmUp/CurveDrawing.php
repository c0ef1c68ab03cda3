<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Fluids\Door\WarmUp;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\SumResult;

/** A warm-up as it came: temperature over minutes, with where the thermostat opens and where the engine must be stopped. */
final readonly class CurveDrawing
{
    private const MOST_POINTS = 240;

    /**
     * @param list<list<float>> $samples s, °C
     * @param ?SumResult $result null while there is too little to judge
     */
    public static function of(array $samples, float $opens, ?SumResult $result): Plot
    {
        $start = $samples[0][0] ?? 0.0;
        $minutes = max(6.0, (($samples[count($samples) - 1][0] ?? 0.0) - $start) / 60 * 1.06);
        $low = min(20.0, ...[...array_column($samples, 1), 20.0]);
        $limit = WarmUp::limit($opens);
        $step = max(1, intdiv(count($samples), self::MOST_POINTS));
        $points = [];
        foreach ($samples as $i => $sample) {
            if (0 === $i % $step || $i === count($samples) - 1) {
                $points[] = [($sample[0] - $start) / 60, $sample[1] ?? 0.0];
            }
        }
        $plot = Plot::over(
            'Coolant temperature over minutes', 'min', [0.0, $minutes], '°C',
            [floor($low / 10) * 10, max($limit + 14, ...[...array_column($samples, 1), 0.0])],
        )
            ->level(
                $opens, sprintf('opens at %s', Show::n($opens)), 'ink',
            )->level($limit, sprintf('stop at %s', Show::n($limit)), 'bad-line')->line($points, 'trace');
        if (null !== $result && $result->has('opened_at')) {
            return $plot->dot(
                $result->number('opened_after') / 60, $result->number('opened_at'),
                sprintf('opened at %s', Show::n($result->number('opened_at'), 3)),
            );
        }

        return $plot;
    }
}
