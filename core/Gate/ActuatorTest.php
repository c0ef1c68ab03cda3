<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/**
 * A wastegate actuator pumped up and let down by hand, pressure against rod: at rest, moving, at its stop. kPa and mm. Limits are
 * working values.
 */
final readonly class ActuatorTest
{
    /** mm, under which a rod has not moved. */
    private const STILL = 0.5;
    /** Of its way, between which it moves for sure. */
    private const MOVING = [0.15, 0.85];
    private const STICKS = 0.15;
    private const LEAKS = 0.10;
    private const OFF_LABEL = 0.10;
    private const SHORT = 0.9;

    /**
     * @param ?float $cracks kPa; null where it never moves
     * @param ?float $rate kPa a mm
     * @param ?float $hysteresis kPa; null where it was not let down
     * @param ?float $lost of what it held, in ten seconds; null where nobody waited
     */
    private function __construct(
        public ActuatorFinding $finding, public ?float $cracks, public ?float $rate, public float $travel, public ?float $hysteresis,
        public ?float $lost,
    ) {
    }

    /**
     * @param non-empty-list<array{float, float}> $samples kPa and mm, up and then down
     * @param ?float $label kPa it should crack at
     * @param ?float $full mm it should move
     * @param ?array{float, float, float} $hold kPa, kPa, s
     */
    public static function of(array $samples, ?float $label, ?float $full, ?array $hold): self
    {
        $lost = null === $hold ? null : 1 - ($hold[1] / $hold[0]) ** (10 / $hold[2]);
        [$up, $down] = self::strokes($samples);
        [$rest, $end] = self::ends($up);
        $travel = $end - $rest;
        $rising = $travel < self::STILL ? null : self::moving($up, $rest, $travel);
        if (null === $rising || $rising->slope <= 0.0) {
            return new self(ActuatorFinding::NeverMoves, null, null, max(0.0, $travel), null, $lost);
        }
        [$cracks, $rate] = [($rest - $rising->at) / $rising->slope, 1 / $rising->slope];
        $hysteresis = self::hysteresis($down, $rising, $rest, $travel);
        $isShort = null !== $full && $travel < self::SHORT * $full && self::stops($up, $rising, $end, $travel);

        return new self(match (true) {
            $isShort => ActuatorFinding::StoppedShort,
            null !== $hysteresis && $hysteresis > self::STICKS * $cracks => ActuatorFinding::Sticks,
            null !== $lost && $lost > self::LEAKS => ActuatorFinding::Leaks,
            null !== $label && abs($cracks - $label) > self::OFF_LABEL * $label => ActuatorFinding::SpringOffLabel,
            default => ActuatorFinding::Sound,
        }, $cracks, $rate, $travel, $hysteresis, $lost);
    }

    /**
     * @param non-empty-list<array{float, float}> $samples
     *
     * @return array{list<array{float, float}>, list<array{float, float}>} going up, going down
     */
    private static function strokes(array $samples): array
    {
        $pressures = array_column($samples, 0);
        $top = (int) array_search(max($pressures), $pressures, true);

        return [array_slice($samples, 0, $top + 1), array_slice($samples, $top)];
    }

    /**
     * Where the rod rests and how far it comes: roughly by its outermost places, then as the middle of what lies before it moves,
     * and of what lies after it stands.
     *
     * @param list<array{float, float}> $up
     *
     * @return array{float, float}
     */
    private static function ends(array $up): array
    {
        $ways = array_column($up, 1);
        $smooth = array_map(
            static fn (int $i): float => Middle::of(array_slice($ways, max(0, $i - 1), 3)), array_keys($ways),
        );
        [$rest, $end] = [min($smooth ?: [0.0]), max($smooth ?: [0.0])];
        $line = $end - $rest < self::STILL ? null : self::moving($up, $rest, $end - $rest);
        if (null === $line || $line->slope <= 0.0) {
            return [$rest, $end];
        }
        $apart = 0.04 * ($end - $rest) / $line->slope;
        [$begins, $stands] = [($rest - $line->at) / $line->slope - $apart, ($end - $line->at) / $line->slope + $apart];
        $still = array_column(array_filter($up, static fn (array $one): bool => $one[0] < $begins), 1);
        $stopped = array_column(array_filter($up, static fn (array $one): bool => $one[0] > $stands), 1);

        return [count($still) < 3 ? $rest : Middle::of($still), count($stopped) < 3 ? $end : Middle::of($stopped)];
    }

    /**
     * mm over kPa while it moves: found by its way first, then once more by the pressures that way lies between, so that noise of
     * the rule does not choose the points.
     *
     * @param list<array{float, float}> $stroke
     */
    private static function moving(array $stroke, float $rest, float $travel): ?Line
    {
        [$from, $to] = [$rest + self::MOVING[0] * $travel, $rest + self::MOVING[1] * $travel];
        $rough = Line::through(array_values(array_filter($stroke, static fn (array $one): bool => $one[1] >= $from && $one[1] <= $to)));
        if (null === $rough || $rough->slope <= 0.0) {
            return $rough;
        }
        [$low, $high] = [($from - $rough->at) / $rough->slope, ($to - $rough->at) / $rough->slope];
        $within = array_values(array_filter($stroke, static fn (array $one): bool => $one[0] >= $low && $one[0] <= $high));

        return (count($within) >= 3 ? Line::through($within) : null) ?? $rough;
    }

    /** @param list<array{float, float}> $down */
    private static function hysteresis(array $down, Line $rising, float $rest, float $travel): ?float
    {
        [$from, $to] = [$rest + 0.2 * $travel, $rest + 0.8 * $travel];
        $moving = array_filter($down, static fn (array $one): bool => $one[1] >= $from && $one[1] <= $to);
        $apart = array_map(static fn (array $one): float => ($one[1] - $rising->at) / $rising->slope - $one[0], $moving);

        return count($apart) < 2 ? null : max(0.0, array_sum($apart) / count($apart));
    }

    /**
     * Whether pressure went on where the rod did not.
     *
     * @param list<array{float, float}> $up
     */
    private static function stops(array $up, Line $rising, float $end, float $travel): bool
    {
        $at = ($end - $rising->at) / $rising->slope;
        $most = $up[count($up) - 1][0] ?? $at;

        return $most > $at + 0.1 * $travel / $rising->slope;
    }
}
