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

    /** @param float $at mm: where what is said was seen; 0 where it is said of the whole */
    private function __construct(public PressEnd $end, public float $at, public float $most)
    {
    }

    /** @param non-empty-list<array{float, float}> $samples by the way */
    public static function judge(array $samples, float $torque, float $travel): self
    {
        $most = max(array_column($samples, 1));
        foreach ($samples as [$way, $now]) {
            if ($way < self::EARLY * $travel && $now > self::HARD * $torque) {
                return new self(PressEnd::PickingUp, $way, $most);
            }
        }
        foreach ($samples as $i => [$way, $now]) {
            if (abs($way - $travel) <= self::NEAR && self::stepsAt($samples, $i)) {
                return new self(PressEnd::Seated, $way, $most);
            }
        }

        return $most < self::EASY * $torque ? new self(PressEnd::Free, 0.0, $most) : new self(
            PressEnd::NotSeated, $samples[count($samples) - 1][0], $most,
        );
    }

    /**
     * A step up to over twice what it was no further back than a little.
     *
     * @param list<array{float, float}> $samples
     */
    private static function stepsAt(array $samples, int $i): bool
    {
        for ($j = $i - 1; $j >= 0 && $samples[$i][0] - $samples[$j][0] <= self::WITHIN + 1e-9; --$j) {
            if ($samples[$j][1] > 0.0 && $samples[$i][1] > self::STEP * $samples[$j][1]) {
                return true;
            }
        }

        return false;
    }
}
