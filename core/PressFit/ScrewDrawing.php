<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Drawing\Plot;

/** Torque over the way: what was worked out as a band, and the curve where one was taken. mm and N·m. */
final readonly class ScrewDrawing
{
    /** @param list<array{float, float}> $samples */
    public static function of(float $torque, float $travel, array $samples): Plot
    {
        $most = max([1.6 * $torque, ...array_map(static fn (float $one): float => 1.05 * $one, array_column($samples, 1))]);
        $plot = Plot::over(
            sprintf('Torque at the nut over the way: about %.0f newton metres until it seats at %.1f millimetres.', $torque, $travel),
            'mm', [0.0, 1.15 * $travel], 'N·m', [0.0, $most],
        );
        $plot = $plot->area($torque / 3, 1.5 * $torque)->level($torque, 'worked out', 'dash');

        return [] === $samples
            ? $plot->line([[0.0, 0.3 * $torque], [0.15 * $travel, $torque], [$travel, $torque], [$travel, $most]])
            : $plot->line($samples, 'trace');
    }
}
