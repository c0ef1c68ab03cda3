<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * The way of a belt round its pulleys, in belt order: exact plane geometry of common tangents. Ribbed pulleys lie inside the
 * loop, flat ones outside. Length is effective length, Le = Lp − 2π be (ISO 9981). mm, wraps in degrees.
 */
final readonly class BeltPath
{
    /** rad: what cannot be a wrap and is a pulley missed by a little. */
    private const MISSED = 5.5;
    private const SAME = 1e-9;
    /** Degrees of wrap on a ribbed pulley that gives or takes power, under which it is said, and under which it is no drive. */
    public const LITTLE = 90.0;
    public const LEAST = 60.0;

    /**
     * @param list<Pulley> $pulleys
     * @param list<Span> $spans from each pulley to the next
     * @param list<float> $wraps degrees
     * @param int $sense +1 where the belt runs counter-clockwise in the order given, −1 where clockwise
     */
    private function __construct(
        public array $pulleys, public BeltSection $section, public array $spans, public array $wraps, public float $length,
        public int $sense,
    ) {
    }

    /**
     * @param list<Pulley> $pulleys in belt order
     *
     * @throws NoBeltPath naming the pulley at fault
     */
    public static function of(array $pulleys, BeltSection $section): self
    {
        $ribbed = array_filter($pulleys, static fn (Pulley $one): bool => Side::Ribs === $one->side);
        count($pulleys) > 1 && [] !== $ribbed || throw NoBeltPath::tooFew();
        self::ensureApart($pulleys);
        $sense = self::area($pulleys) < 0.0 ? -1 : 1;
        try {
            return self::running($pulleys, $section, $sense);
        } catch (NoBeltPath $first) {
            // A flat pulley that reaches far in can turn the polygon of the centres over.
            try {
                return self::running($pulleys, $section, -$sense);
            } catch (NoBeltPath) {
                throw $first;
            }
        }
    }

    /**
     * @param list<Pulley> $pulleys
     *
     * @throws NoBeltPath
     */
    private static function running(array $pulleys, BeltSection $section, int $sense): self
    {
        $count = count($pulleys);
        $radii = array_map(
            static fn (Pulley $one): float => $sense * (Side::Ribs === $one->side ? 1 : -1) * $one->pitchRadius($section), $pulleys,
        );
        $spans = $turns = [];
        for ($i = 0; $i < $count; ++$i) {
            $spans[] = self::span($pulleys, $radii, $i, ($i + 1) % $count);
        }
        $sum = 0.0;
        $length = -2 * \M_PI * $section->be;
        for ($i = 0; $i < $count; ++$i) {
            $turn = fmod(($spans[$i]->way - $spans[($i + $count - 1) % $count]->way) * ($radii[$i] > 0.0 ? 1 : -1), 2 * \M_PI);
            $turns[] = $turn = $turn < -self::SAME ? $turn + 2 * \M_PI : max(0.0, $turn);
            $sum += ($radii[$i] > 0.0 ? 1 : -1) * $turn;
            $length += abs($radii[$i]) * $turn + $spans[$i]->length;
        }
        self::ensureTouched($pulleys, $turns, abs($sum) - 2 * \M_PI);

        return new self($pulleys, $section, $spans, array_map(rad2deg(...), $turns), $length, $sense);
    }

    /**
     * The straight piece between two pulleys, whose radii are positive where they lie to the left of the belt.
     *
     * @param list<Pulley> $pulleys
     * @param list<float> $radii
     *
     * @throws NoBeltPath
     */
    private static function span(array $pulleys, array $radii, int $i, int $j): Span
    {
        [$a, $b] = [$pulleys[$i], $pulleys[$j]];
        [$dx, $dy] = [$b->x - $a->x, $b->y - $a->y];
        $apart = hypot($dx, $dy);
        $across = $radii[$j] - $radii[$i];
        $apart > abs($across) + self::SAME || throw NoBeltPath::swallowed($i, $a, $b);
        $way = atan2($dy, $dx) - asin($across / $apart);
        [$left, $up] = [-sin($way), cos($way)];

        return new Span(
            $i, $j, [$a->x - $radii[$i] * $left, $a->y - $radii[$i] * $up], [$b->x - $radii[$j] * $left, $b->y - $radii[$j] * $up],
            sqrt($apart ** 2 - $across ** 2), $way,
        );
    }

    /**
     * A closed belt turns once round: a pulley it misses by a little counts as nearly a whole turn too many or too few.
     *
     * @param list<Pulley> $pulleys
     * @param list<float> $turns radians
     *
     * @throws NoBeltPath
     */
    private static function ensureTouched(array $pulleys, array $turns, float $excess): void
    {
        $isOnceRound = abs($excess) < 1e-6;
        $side = $isOnceRound ? null : ($excess < 0.0 ? Side::Back : Side::Ribs);
        $mine = array_filter($turns, static fn (int $i): bool => null === $side || $side === $pulleys[$i]->side, \ARRAY_FILTER_USE_KEY);
        arsort($mine);
        $at = array_key_first($mine) ?? 0;
        if (!$isOnceRound || count($pulleys) > 2 && ($mine[$at] ?? 0.0) > self::MISSED) {
            throw NoBeltPath::untouched($at, $pulleys[$at]);
        }
    }

    /**
     * @param list<Pulley> $pulleys
     *
     * @throws NoBeltPath
     */
    private static function ensureApart(array $pulleys): void
    {
        foreach ($pulleys as $i => $one) {
            for ($j = $i + 1, $count = count($pulleys); $j < $count; ++$j) {
                $other = $pulleys[$j];
                hypot($one->x - $other->x, $one->y - $other->y) > ($one->d + $other->d) / 2 || throw NoBeltPath::overlapping(
                    $j, $other, $one,
                );
            }
        }
    }

    /** @param list<Pulley> $pulleys */
    private static function area(array $pulleys): float
    {
        $area = 0.0;
        foreach ($pulleys as $i => $one) {
            $next = $pulleys[($i + 1) % count($pulleys)];
            $area += $one->x * $next->y - $next->x * $one->y;
        }

        return $area;
    }

    public function driver(): int
    {
        return Pulley::driver($this->pulleys);
    }

    /** Whether a pulley that gives or takes power has so little belt round it; the crank is named where it is no drive any more. */
    public function hasLess(int $at, float $degrees): bool
    {
        $degrees = $at === $this->driver() ? min($degrees, self::LEAST) : $degrees;

        return !$this->pulleys[$at]->isIdler() && $this->wraps[$at] < $degrees;
    }

    public function turnsWithCrank(int $at): bool
    {
        return $this->pulleys[$at]->side === $this->pulleys[$this->driver()]->side;
    }

    /**
     * How near the belt comes to the rims of the pulleys it only passes, in mm from its pitch line: less than nothing is through one.
     *
     * @return list<array{gap: float, span: int, pulley: int}> the nearest first
     */
    public function gaps(): array
    {
        $gaps = [];
        foreach ($this->pulleys as $at => $pulley) {
            $nearest = null;
            foreach ($this->spans as $i => $span) {
                if ($span->from !== $at && $span->to !== $at) {
                    $gap = $span->distanceTo($pulley->x, $pulley->y) - $pulley->d / 2;
                    $nearest = null === $nearest || $gap < $nearest['gap'] ? ['gap' => $gap, 'span' => $i, 'pulley' => $at] : $nearest;
                }
            }
            null === $nearest || $gaps[] = $nearest;
        }
        usort($gaps, static fn (array $a, array $b): int => $a['gap'] <=> $b['gap']);

        return $gaps;
    }

    /** @return list<array{Span, Span}> pieces of belt that run through each other */
    public function crossings(): array
    {
        $crossings = [];
        foreach ($this->spans as $i => $one) {
            foreach (array_slice($this->spans, $i + 1) as $other) {
                if ($one->crosses($other)) {
                    $crossings[] = [$one, $other];
                }
            }
        }

        return $crossings;
    }

    /**
     * How the length answers a change: mm of belt for a mm of x, of y and of diameter of each pulley. Exact: the pull of the two
     * spans at the centre, and half the wrap in radians.
     *
     * @return list<array{x: float, y: float, d: float}>
     */
    public function sensitivity(): array
    {
        $by = [];
        foreach ($this->pulleys as $i => $pulley) {
            [$out, $in] = [$this->spans[$i]->way, $this->spans[($i + count($this->spans) - 1) % count($this->spans)]->way];
            $by[] = ['x' => cos($in) - cos($out), 'y' => sin($in) - sin($out), 'd' => deg2rad($this->wraps[$i]) / 2];
        }

        return $by;
    }
}
