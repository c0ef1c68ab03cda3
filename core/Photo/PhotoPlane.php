<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/**
 * Measured in a photo, on the plane that known marks lie in: distances, angles, circles and what stands off a line, each with its doubt
 * from one pixel in every coordinate of marks and points, by first order; in a picture of known size that of a usual lens with it. px, mm
 * and degrees.
 */
final readonly class PhotoPlane
{
    /** px a coordinate is moved by, to see what it does. */
    private const MOVE = 0.05;

    /** mm of the marks left over, root of the mean square; nothing of four marks. */
    public float $residual;
    public CameraModel $sight;
    /**
     * All points, with one coordinate of a mark moved both ways, or the lens.
     *
     * @var list<array{list<array{float, float}>, list<array{float, float}>}>
     */
    private array $swayed;

    /**
     * @param non-empty-list<array{float, float, float, float}> $marks px, px, mm, mm
     * @param list<array{float, float}> $points px
     * @param ?Lens $lens of a picture whose size is known
     *
     * @throws \DomainException where the marks hold no plane
     */
    public function __construct(private array $marks, private array $points, private ?Lens $lens = null)
    {
        $this->sight = CameraModel::of($marks, $lens);
        $left = 0.0;
        foreach ($marks as [$x, $y, $u, $v]) {
            [$a, $b] = $this->sight->at($x, $y);
            $left += ($a - $u) ** 2 + ($b - $v) ** 2;
        }
        $this->residual = sqrt($left / count($marks));
        $swayed = [];
        foreach (array_keys($marks) as $i) {
            foreach ([0, 1] as $axis) {
                $swayed[] = [$this->swayed($i, $axis, self::MOVE), $this->swayed($i, $axis, -self::MOVE)];
            }
        }
        $sway = self::MOVE * (count($marks) < CameraModel::LENS_FROM ? Lens::MOST : Lens::USUAL);
        null === $lens || $swayed[] = [$this->bent($sway), $this->bent(-$sway)];
        $this->swayed = $swayed;
    }

    /** Whether all marks lie on this side of the horizon, as they do where they are named in their order. */
    public function isInOrder(): bool
    {
        $signs = array_map(fn (array $one): bool => $this->sight->w($one[0], $one[1]) > 0.0, $this->marks);

        return 1 === count(array_unique($signs));
    }

    /** Whether the plane is seen as it is written, its second number growing downwards as in the photo. */
    public function isDown(): bool
    {
        [$x, $y] = [$this->marks[0][0], $this->marks[0][1]];
        [$a, $right, $down] = [$this->sight->at($x, $y), $this->sight->at($x + 1, $y), $this->sight->at($x, $y + 1)];

        return ($right[0] - $a[0]) * ($down[1] - $a[1]) - ($right[1] - $a[1]) * ($down[0] - $a[0]) > 0.0;
    }

    /** Whether a point lies on the side of the marks. */
    public function isSeen(int $point): bool
    {
        [$x, $y] = $this->points[$point];

        return $this->sight->w($x, $y) > 0.0 === $this->sight->w($this->marks[0][0], $this->marks[0][1]) > 0.0;
    }

    /** @return list<array{float, float}> each point in mm */
    public function points(): array
    {
        return array_map(fn (array $one): array => $this->sight->at(...$one), $this->points);
    }

    /** @return array{float, float} mm, and its doubt */
    public function distance(int $from, int $to): array
    {
        return $this->doubted(
            static fn (array $at): float => hypot($at[$to][0] - $at[$from][0], $at[$to][1] - $at[$from][1]), [$from, $to],
        );
    }

    /** @return array{float, float} mm from a point to the line through two others, and its doubt */
    public function offset(int $point, int $from, int $to): array
    {
        return $this->doubted(static function (array $at) use ($point, $from, $to): float {
            [$dx, $dy] = [$at[$to][0] - $at[$from][0], $at[$to][1] - $at[$from][1]];

            return abs($dx * ($at[$point][1] - $at[$from][1]) - $dy * ($at[$point][0] - $at[$from][0])) / max(1e-12, hypot($dx, $dy));
        }, [$point, $from, $to]);
    }

    /** @return array{float, float} degrees at the middle one, and its doubt */
    public function angle(int $from, int $at, int $to): array
    {
        return $this->doubted(static function (array $all) use ($from, $at, $to): float {
            [$ax, $ay] = [$all[$from][0] - $all[$at][0], $all[$from][1] - $all[$at][1]];
            [$bx, $by] = [$all[$to][0] - $all[$at][0], $all[$to][1] - $all[$at][1]];

            return rad2deg(abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by)));
        }, [$from, $at, $to]);
    }

    /**
     * @param list<int> $points on its edge, three or more
     *
     * @return array{float, float, CircleFit} mm across, its doubt, and the circle
     */
    public function circle(array $points): array
    {
        [$across, $doubt] = $this->doubted(static fn (array $all): float => 2 * self::fitted($all, $points)->radius, $points);

        return [$across, $doubt, self::fitted($this->points(), $points)];
    }

    /**
     * @param array<int, array{float, float}> $all
     * @param list<int> $points
     */
    private static function fitted(array $all, array $points): CircleFit
    {
        return CircleFit::of(array_map(static fn (int $one): array => $all[$one], $points));
    }

    /**
     * @param callable(list<array{float, float}>): float $measure of all points, in mm
     * @param list<int> $of the points it is of
     *
     * @return array{float, float}
     */
    private function doubted(callable $measure, array $of): array
    {
        $at = $this->points();
        $slopes = array_map(
            static fn (array $both): float => ($measure($both[0]) - $measure($both[1])) / (2 * self::MOVE), $this->swayed,
        );
        foreach (array_unique($of) as $i) {
            foreach ([0, 1] as $axis) {
                $slopes[] = ($measure($this->pushed($at, $i, $axis, self::MOVE)) - $measure($this->pushed($at, $i, $axis, -self::MOVE)))
                    / (2 * self::MOVE);
            }
        }

        return [$measure($at), sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $slopes)))];
    }

    /**
     * All points, where one coordinate of a mark had been read a little beside.
     *
     * @return list<array{float, float}>
     */
    private function swayed(int $mark, int $axis, float $by): array
    {
        $marks = $this->marks;
        [$x, $y, $u, $v] = $marks[$mark];
        $marks[$mark] = 0 === $axis ? [$x + $by, $y, $u, $v] : [$x, $y + $by, $u, $v];
        $sight = CameraModel::of(array_values($marks), $this->lens);

        return array_map(static fn (array $one): array => $sight->at(...$one), $this->points);
    }

    /**
     * All points, where the usual lens were a little another.
     *
     * @return list<array{float, float}>
     */
    private function bent(float $by): array
    {
        $sight = CameraModel::of($this->marks, $this->lens, $by);

        return array_map(static fn (array $one): array => $sight->at(...$one), $this->points);
    }

    /**
     * All points, where one coordinate of this one had been read a little beside.
     *
     * @param list<array{float, float}> $at
     *
     * @return list<array{float, float}>
     */
    private function pushed(array $at, int $point, int $axis, float $by): array
    {
        $read = $this->points[$point];
        $read[$axis] += $by;
        $at[$point] = $this->sight->at(...$read);

        return array_values($at);
    }
}
