<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** One hose on one joint, one way round: how tight each end is. mm; working values. */
final readonly class CouplerFit
{
    private const LOOSE = -1.0;
    private const EASY = -0.3;
    private const TIGHT = 0.03;
    private const TIGHTEST = 0.06;
    private const ANGLE = 10.0;

    /**
     * @param array{float, float} $over outside of the pipe less inside of the hose, at the joint’s two ends
     * @param float $cost of both, over the inside of the hose
     */
    private function __construct(public bool $isTurned, public array $over, public float $cost, public string $end)
    {
    }

    /** The better way round; null where neither fits. */
    public static function of(PipeJoint $joint, Coupler $coupler): ?self
    {
        if (abs($joint->angle - $coupler->angle) > self::ANGLE + 1e-9) {
            return null;
        }
        $ways = array_values(array_filter([
            self::way($joint, $coupler->a, $coupler->b, false), self::way($joint, $coupler->b, $coupler->a, true),
        ]));
        usort($ways, static fn (self $one, self $other): int => $one->cost <=> $other->cost);

        return $ways[0] ?? null;
    }

    private static function way(PipeJoint $joint, float $a, float $b, bool $isTurned): ?self
    {
        [$overA, $overB] = [$joint->a - $a, $joint->b - $b];
        if (!self::goes($overA, $a) || !self::goes($overB, $b)) {
            return null;
        }
        $end = match (true) {
            $overA < self::EASY - 1e-9 || $overB < self::EASY - 1e-9 => 'loose',
            $overA > self::TIGHT * $a + 1e-9 || $overB > self::TIGHT * $b + 1e-9 => 'tight',
            default => 'fits',
        };

        return new self($isTurned, [$overA, $overB], abs($overA) / $a + abs($overB) / $b, $end);
    }

    private static function goes(float $over, float $inside): bool
    {
        return $over >= self::LOOSE - 1e-9 && $over <= self::TIGHTEST * $inside + 1e-9;
    }
}
