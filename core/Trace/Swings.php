<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * The swings of a ratchet joined to one pull: where the torque is let go without the head having moved, what follows until the
 * wrench is wound up to the same torque again is left out, and the angle goes on from there. It does not matter whether the wrench adds
 * its swings up or goes back with the handle. The last letting go is cut off. Degrees and N·m.
 */
final readonly class Swings
{
    /** Torque lost at a standstill, share of what it was. */
    private const LET_GO = 0.25;
    /** Under this share of the peak there is nothing to let go. */
    private const FELT = 0.12;
    /** Torque lost at the very end, share of the peak. */
    private const GONE = 0.06;
    private const TAKEN_UP = 0.92;
    /** Degrees a wrench and its extension may wind up. */
    private const WIND_UP = 25.0;
    private const STANDS_STILL = 0.6;
    /** Degrees and share of the peak from which turning back is undoing. */
    private const BACK = 10.0;
    private const UNDOES = 0.3;

    /**
     * @param non-empty-list<non-empty-list<float>> $samples [degrees, N·m] or [degrees, N·m, ms]
     *
     * @return non-empty-list<non-empty-list<float>> with the degrees of the head, rising
     *
     * @throws InvalidInput
     */
    public static function joined(array $samples, float $peak): array
    {
        $samples = self::forward($samples, $peak);
        $joined = [];
        $less = 0.0;
        $count = count($samples);
        for ($i = 0; $i < $count; ++$i) {
            [$angle, $torque] = [$samples[$i][0] - $less, $samples[$i][1] ?? 0.0];
            [$at, $level] = [] === $joined ? [$angle, 0.0] : [$joined[count($joined) - 1][0], $joined[count($joined) - 1][1] ?? 0.0];
            if ($level > self::FELT * $peak && $torque < (1 - self::LET_GO) * $level && $angle - $at <= self::STANDS_STILL) {
                $next = self::takenUp($samples, $i, $level, $at + $less);
                if (null === $next) {
                    if ($samples[$count - 1][0] - $less - $at <= 3 * self::STANDS_STILL) {
                        break;
                    }
                } else {
                    $i = $next;
                    $turned = self::turnedSince($joined, $level, $samples[$i][1] ?? 0.0);
                    $less += max(0.0, $samples[$i][0] - $less - $at - $turned);
                    $angle = $samples[$i][0] - $less;
                }
            }
            $sample = $samples[$i];
            $sample[0] = max($angle, $at);
            $joined[] = $sample;
        }

        return [] === $joined ? $samples : self::withoutLettingGo($joined, $peak);
    }

    /**
     * @param non-empty-list<non-empty-list<float>> $samples
     *
     * @return non-empty-list<non-empty-list<float>>
     */
    private static function withoutLettingGo(array $samples, float $peak): array
    {
        $last = count($samples) - 1;
        $isLetGo = static fn (int $i): bool => ($samples[$i][1] ?? 0.0) < ($samples[$i - 1][1] ?? 0.0) - self::GONE * $peak
            && $samples[$i][0] - $samples[$i - 1][0] < 0.5;
        while ($last > 1 && $isLetGo($last)) {
            --$last;
        }

        return array_slice($samples, 0, $last + 1);
    }

    /**
     * Angles that never go back: a ratchet on its way back turns nothing.
     *
     * @param non-empty-list<non-empty-list<float>> $samples
     *
     * @return non-empty-list<non-empty-list<float>>
     *
     * @throws InvalidInput
     */
    private static function forward(array $samples, float $peak): array
    {
        $more = 0.0;
        $last = $samples[0][0];
        foreach ($samples as $i => $sample) {
            $angle = $sample[0] + $more;
            if ($angle < $last) {
                $last - $angle <= self::BACK || ($sample[1] ?? 0.0) <= self::UNDOES * $peak || throw InvalidInput::in('samples', sprintf(
                    'Sample %d turns back by %d° under torque: that undoes the bolt. Give the pull that tightens it.', $i + 1,
                    (int) round($last - $angle),
                ));
                // A tremble of the reading is no way back.
                $more += $last - $angle > 1.0 ? $last - $angle : 0.0;
                $angle = $last;
            }
            $samples[$i][0] = $last = $angle;
        }

        return $samples;
    }

    /**
     * The sample by which the wrench is wound up again; null where it never is.
     *
     * @param non-empty-list<non-empty-list<float>> $samples
     */
    private static function takenUp(array $samples, int $from, float $level, float $at): ?int
    {
        for ($i = $from, $count = count($samples); $i < $count && $samples[$i][0] - $at <= self::WIND_UP; ++$i) {
            if (($samples[$i][1] ?? 0.0) >= self::TAKEN_UP * $level) {
                return $i;
            }
        }

        return null;
    }

    /**
     * How far the head moved on until this torque, by the slope of the swing before.
     *
     * @param list<non-empty-list<float>> $joined
     */
    private static function turnedSince(array $joined, float $level, float $torque): float
    {
        $before = array_slice($joined, -6);
        if (count($before) < 3 || $torque <= $level) {
            return 0.0;
        }
        [$first, $last] = [$before[0], $before[count($before) - 1]];
        $slope = (($last[1] ?? 0.0) - ($first[1] ?? 0.0)) / max(0.1, $last[0] - $first[0]);

        return $slope > 1e-6 ? min(self::WIND_UP, ($torque - $level) / $slope) : 0.0;
    }
}
