<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Angle;

/**
 * An engine that turns about one mount while a point of it is lifted: plane rotation. Nose to the right, x forward, y up,
 * mm, angles counter-clockwise.
 */
final readonly class Tilt
{
    /** mm, the least a gap should be left at */
    public const LEAST = 5.0;
    private const STEPS = 400;

    /**
     * @param list<float> $gaps mm, in the order of the points
     * @param float $limit mm of rise at which the first gap is down to the least; the reach where none comes down to it
     * @param int $first which point that is; -1 where none
     */
    private function __construct(public Angle $angle, public array $gaps, public float $limit, public int $first)
    {
    }

    /**
     * @param array{float, float} $pivot
     * @param array{float, float} $lifted
     * @param list<TiltPoint> $points
     */
    public static function of(array $pivot, array $lifted, float $rise, array $points): self
    {
        $arm = [$lifted[0] - $pivot[0], $lifted[1] - $pivot[1]];
        $turn = self::turn($arm, $rise);
        [$limit, $first] = self::limit($arm, $pivot, $points);

        return new self(
            Angle::degrees(rad2deg($turn)),
            array_map(static fn (TiltPoint $point): float => self::gap($point, $pivot, $turn), $points), $limit, $first,
        );
    }

    /**
     * How far the lifted point can rise at all, in mm.
     *
     * @param array{float, float} $pivot
     * @param array{float, float} $lifted
     */
    public static function reach(array $pivot, array $lifted): float
    {
        return hypot($lifted[0] - $pivot[0], $lifted[1] - $pivot[1]) - ($lifted[1] - $pivot[1]);
    }

    /**
     * A point of the engine after the turn.
     *
     * @param array{float, float} $pivot
     *
     * @return array{float, float}
     */
    public static function moved(float $x, float $y, array $pivot, float $turn): array
    {
        [$dx, $dy] = [$x - $pivot[0], $y - $pivot[1]];

        return [$pivot[0] + $dx * cos($turn) - $dy * sin($turn), $pivot[1] + $dx * sin($turn) + $dy * cos($turn)];
    }

    /** @param array{float, float} $arm */
    private static function turn(array $arm, float $rise): float
    {
        $radius = hypot(...$arm);
        $up = asin(max(-1.0, min(1.0, ($arm[1] + $rise) / $radius)));

        return $arm[0] > 0.0 ? $up - asin($arm[1] / $radius) : asin($arm[1] / $radius) - $up;
    }

    /** @param array{float, float} $pivot */
    private static function gap(TiltPoint $point, array $pivot, float $turn): float
    {
        [$x, $y] = self::moved($point->x, $point->y, $pivot, $turn);
        $way = deg2rad($point->direction);

        return $point->gap - (($x - $point->x) * cos($way) + ($y - $point->y) * sin($way));
    }

    /**
     * @param array{float, float} $arm
     * @param array{float, float} $pivot
     * @param list<TiltPoint> $points
     *
     * @return array{float, int}
     */
    private static function limit(array $arm, array $pivot, array $points): array
    {
        $reach = hypot(...$arm) - $arm[1];
        [$limit, $first] = [$reach, -1];
        foreach ($points as $i => $point) {
            $at = self::firstRise($arm, $pivot, $point, $reach);
            if (null !== $at && (-1 === $first || $at < $limit)) {
                [$limit, $first] = [$at, $i];
            }
        }

        return [$limit, $first];
    }

    /**
     * The least rise at which a gap is down to the least, by steps and then by halving.
     *
     * @param array{float, float} $arm
     * @param array{float, float} $pivot
     */
    private static function firstRise(array $arm, array $pivot, TiltPoint $point, float $reach): ?float
    {
        $left = static fn (float $rise): float => self::gap($point, $pivot, self::turn($arm, $rise)) - self::LEAST;
        if ($left(0.0) <= 0.0) {
            return 0.0;
        }
        for ($i = 1; $i <= self::STEPS; ++$i) {
            if ($left($reach * $i / self::STEPS) <= 0.0) {
                [$low, $high] = [$reach * ($i - 1) / self::STEPS, $reach * $i / self::STEPS];
                for ($n = 0; $n < 60; ++$n) {
                    $middle = ($low + $high) / 2;
                    $left($middle) > 0.0 ? $low = $middle : $high = $middle;
                }

                return $high;
            }
        }

        return null;
    }
}
