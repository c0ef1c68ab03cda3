<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Drawing\Plot;

/** Torque against angle as a plot: the trace, the figure with its band, the snug point. Degrees and N·m. */
final readonly class TraceDrawing
{
    /** How much of the run-down is shown, in degrees before the torque rises. */
    private const LEAD_IN = 40.0;

    /** @param list<array{float, float}> $samples [degrees, N·m], as many as there are so far */
    public static function of(array $samples, TraceSpec $spec, ?Judgement $judged = null): Plot
    {
        $torques = [] === $samples ? [0.0] : array_column($samples, 1);
        $angles = [] === $samples ? [0.0] : array_column($samples, 0);
        $peak = max($torques);
        $top = 1.15 * max($peak, $spec->isByAngle() ? 1.3 * $spec->torque : $spec->torque);
        $rise = self::riseAt($samples, 0.08 * max($peak, 0.3 * $spec->torque));
        $from = max(min($angles), $rise - self::LEAD_IN);
        $to = max($angles) + 0.06 * max(10.0, max($angles) - $from);
        $plot = Plot::over(
            sprintf(
                'Torque against angle: %d samples, %.1f newton metres at most, the figure is %.1f.', count($samples), $peak,
                $spec->torque,
            ),
            '°', [$from, max($from + 20.0, $to)], 'N·m', [0.0, $top],
        );
        if (!$spec->isByAngle()) {
            $plot = $plot->area($spec->torque * (1 - $spec->tolerance / 100), $spec->torque * (1 + $spec->tolerance / 100));
        }
        $plot = $plot->level($spec->torque, sprintf('%s %.4g N·m', $spec->isByAngle() ? 'snug' : 'figure', $spec->torque), 'dash');
        $before = count(array_filter($samples, static fn (array $s): bool => $s[0] < $from));
        $shown = array_slice($samples, max(0, $before - 1));
        if ([] !== $shown) {
            $plot = $plot->line(self::thinned($shown), 'trace');
        }
        if (null !== $judged) {
            $plot = $plot->dot($judged->snugAngle(), $judged->snugTorque(), 'snug', 'ink')
                ->dot(
                    $judged->trace->finalAngle(), $judged->trace->finalTorque(),
                    sprintf('%.1f N·m', $judged->trace->finalTorque()), 'pen',
                );
        }

        return $plot;
    }

    /** @param list<array{float, float}> $samples */
    private static function riseAt(array $samples, float $torque): float
    {
        foreach ($samples as $sample) {
            if ($sample[1] >= $torque) {
                return $sample[0];
            }
        }

        return [] === $samples ? 0.0 : $samples[count($samples) - 1][0];
    }

    /**
     * A few hundred points are all a screen can show.
     *
     * @param non-empty-list<array{float, float}> $samples
     *
     * @return non-empty-list<array{float, float}>
     */
    private static function thinned(array $samples): array
    {
        $every = max(1, intdiv(count($samples), 400));
        $kept = [];
        foreach ($samples as $i => $sample) {
            if (0 === $i % $every || $i === count($samples) - 1) {
                $kept[] = [$sample[0], $sample[1]];
            }
        }

        return [] === $kept ? [[$samples[0][0], $samples[0][1]]] : $kept;
    }
}
