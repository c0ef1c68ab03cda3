<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

/**
 * Torque over the way while a hub is drawn on, judged against what was worked out: does it sit, is it picking up, does it go on
 * too easily. mm and N·m; the limits are working values.
 */
final readonly class PressCurve
{
    private const EARLY = 0.8;
    private const HARD = 1.5;
    private const STEP = 2.0;
    private const WITHIN = 0.3;
    private const NEAR = 0.5;
    private const EASY = 1 / 3;

    /**
     * @param float $at mm: where what is said was seen; 0 where it is said of the whole
     * @param bool $isEasy it went on far too easily, whether it sits or not: the fit does not hold
     */
    private function __construct(public PressEnd $end, public float $at, public float $most, public bool $isEasy)
    {
    }

    /** @param non-empty-list<array{float, float}> $samples by the way */
    public static function judge(array $samples, float $torque, float $travel): self
    {
        $most = max(array_column($samples, 1));
        foreach ($samples as [$way, $now]) {
            if ($way < self::EARLY * $travel && $now > self::HARD * $torque) {
                return new self(PressEnd::PickingUp, $way, $most, false);
            }
        }
        foreach ($samples as $i => [$way, $now]) {
            if (abs($way - $travel) <= self::NEAR && self::stepsAt($samples, $i)) {
                return new self(PressEnd::Seated, $way, $most, self::mostBefore($samples, $way - self::WITHIN) < self::EASY * $torque);
            }
        }

        return $most < self::EASY * $torque ? new self(PressEnd::Free, 0.0, $most, true) : new self(
            PressEnd::NotSeated, $samples[count($samples) - 1][0], $most, false,
        );
    }

    /** @param list<array{float, float}> $samples */
    private static function mostBefore(array $samples, float $way): float
    {
        $before = array_filter($samples, static fn (array $one): bool => $one[0] <= $way);

        return [] === $before ? \INF : max(array_column($before, 1));
    }

    /**
     * A step up to over twice what it was no further back than a little; between two samples it grows evenly.
     *
     * @param list<array{float, float}> $samples
     */
    private static function stepsAt(array $samples, int $i): bool
    {
        [$way, $now] = $samples[$i];
        $from = $way - self::WITHIN - 1e-9;
        for ($j = $i - 1; $j >= 0; --$j) {
            [$at, $was] = $samples[$j];
            [$next, $then] = $samples[$j + 1];
            $was = $at >= $from || $next <= $at ? $was : $was + ($then - $was) * ($from - $at) / ($next - $at);
            if ($was > 0.0 && $now > self::STEP * $was) {
                return true;
            }
            if ($at < $from) {
                return false;
            }
        }

        return false;
    }
}
