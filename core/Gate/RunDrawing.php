<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;

/** Boost over engine speed, with its target and the limit it must not pass. rpm and kPa. */
final readonly class RunDrawing
{
    private const MOST = 300;

    /**
     * @param non-empty-list<array{float, float, float, float}> $samples
     * @param callable(float): float $target
     * @param list<array{float, float, float, float}> $before the run before it
     */
    public static function of(array $samples, callable $target, ?float $limit, array $before = []): Plot
    {
        [$points, $last] = [self::points($samples), self::points($before)];
        $speeds = [...array_column($samples, 1), ...array_column($last, 0)];
        [$low, $high] = [min($speeds), max(max($speeds), min($speeds) + 1)];
        $most = max([1.0, ...array_column($samples, 2), ...array_column($before, 2), $limit ?? 0.0, $target($high), $target($low)]);
        $wanted = array_map(
            static fn (int $i): array => [$low + ($high - $low) * $i / 20, $target($low + ($high - $low) * $i / 20)], range(0, 20),
        );
        $plot = Plot::over('Boost over engine speed', 'rpm', [$low, $high], 'kPa', [0.0, 1.15 * $most])->line($wanted,
            'dash')->line($last, 'before');

        return (null === $limit ? $plot : $plot->level($limit, sprintf('limit %s', Show::n($limit, 3))))->line($points, 'trace');
    }

    /**
     * rpm and kPa, no more of them than a screen can show.
     *
     * @param list<array{float, float, float, float}> $samples
     *
     * @return list<array{float, float}>
     */
    private static function points(array $samples): array
    {
        $step = max(1, intdiv(count($samples), self::MOST));
        $points = [];
        foreach ($samples as $i => [, $rpm, $kpa]) {
            if (0 === $i % $step) {
                $points[] = [$rpm, $kpa];
            }
        }

        return $points;
    }
}
