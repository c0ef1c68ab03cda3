<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Times;

use NimbleKnuckle\Core\Drawing\Plot;

/** Minutes of each job in its turn, with the band of the plan and that of what was learned. */
final readonly class TimeDrawing
{
    /**
     * @param array{float, float, float} $planned
     * @param list<float> $done
     */
    public static function of(array $planned, array $done, Learned $learned): Plot
    {
        $jobs = count($done) + 1.0;
        $points = array_map(static fn (float $one, int $i): array => [$i + 1.0, $one], $done, array_keys($done));
        $plot = Plot::over(
            'Minutes of each job, with what was planned and what is likely now', 'jobs', [0.0, max(4.0, $jobs)], 'min',
            [0.0, 1.1 * max([$planned[2], $learned->high, ...$done])],
        )->area($learned->low, $learned->high)->level($planned[1], 'planned', 'dash')->level($learned->likely, 'likely now', 'ink');
        foreach ($points as [$job, $minutes]) {
            $plot = $plot->dot($job, $minutes, '');
        }

        return $plot;
    }
}
