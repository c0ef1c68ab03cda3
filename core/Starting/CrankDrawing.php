<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;

/** A recording of a starter that cranks: posts, stud and earth over time, with what the battery is to keep. s and V. */
final readonly class CrankDrawing
{
    /**
     * @param non-empty-list<array{float, float, float, float}> $samples
     * @param list<array{float, float, float, float}> $before the one before it
     */
    public static function of(array $samples, CrankRun $run, array $before = []): Plot
    {
        $first = $samples[0][0];
        $lasts = max(0.5, $samples[count($samples) - 1][0] - $first, ...array_column(self::line($before, 1), 0));
        $plot = Plot::over(
            sprintf(
                'Posts, stud and earth while it cranks: lowest %s V, settled %s V', Show::n($run->lowest, 3), Show::n($run->settled, 3),
            ),
            's', [0.0, $lasts], 'V', [0.0, 1.1 * max(1.0, $run->rest)],
        )->line(self::line($before, 1), 'before')->line(self::line($samples, 2), 'dash')
            ->line(self::line($samples, 3), 'bad-line')->line(self::line($samples, 1), 'trace');
        if (null === $run->drop) {
            return $plot;
        }
        $end = 0.97 * $lasts;

        return $plot->level($run->drop->least, sprintf('a good battery keeps %s V', Show::n($run->drop->least, 2)), 'dash')
            ->dot($end, $run->settled, sprintf('posts %s', Show::n($run->settled, 3)))
            ->dot($end, $run->stud, sprintf('stud %s', Show::n($run->stud, 3)))
            ->dot($end, max(0.0, $run->earth), sprintf('earth %s', Show::n($run->earth, 2)));
    }

    /**
     * @param list<array{float, float, float, float}> $rows
     *
     * @return list<array{float, float}>
     */
    private static function line(array $rows, int $column): array
    {
        $line = [];
        foreach ($rows as $one) {
            $line[] = [$one[0] - $rows[0][0], $one[$column] ?? 0.0];
        }

        return $line;
    }
}
