<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;

/** A warm-up as it came: temperature over minutes, with where the thermostat opens and where the engine must be stopped. */
final readonly class CurveDrawing
{
    private const MOST_POINTS = 240;

    /**
     * @param list<list<float>> $samples s, °C
     * @param ?WarmUpJudgement $judged null while there is too little to judge
     */
    public static function of(array $samples, Temperature $opens, ?WarmUpJudgement $judged): Plot
    {
        $start = $samples[0][0] ?? 0.0;
        $minutes = max(6.0, (($samples[count($samples) - 1][0] ?? 0.0) - $start) / 60 * 1.06);
        $low = min(20.0, ...[...array_column($samples, 1), 20.0]);
        $limit = WarmUpJudgement::limit($opens)->celsius;
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
            ->level($opens->celsius, sprintf('opens at %s', Show::n($opens->celsius)), 'ink')
            ->level($limit, sprintf('stop at %s', Show::n($limit)), 'bad-line')->line($points, 'trace');
        $opened = $judged?->openedAt();

        return null === $judged || null === $opened ? $plot : $plot->dot(
            $judged->openedAfter() / 60, $opened->celsius, sprintf('opened at %s', Show::n($opened->celsius, 3)),
        );
    }
}
