<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * A sweep drawn: diameters from left to right in mm, and over each how far the belt that is on it takes the arm into its window.
 * In a frame of 640 by 300; what may not be stands in the shaded part, where the driven side turns too fast.
 */
final readonly class SweepDrawing
{
    private const LEFT = 64.0;
    private const RIGHT = 620.0;
    private const TOP = 40.0;
    private const FOOT = 230.0;

    /**
     * @param list<array{d: float, x: float, y: ?float, stops: list<string>, isNow: bool, isChosen: bool}> $points
     * @param ?float $fastTo where the part begins in which it does not turn too fast; null where none does
     */
    private function __construct(public array $points, public float $top, public float $foot, public ?float $fastTo)
    {
    }

    public static function of(Sweep $sweep, float $now, float $chosen): self
    {
        $sizes = array_map(static fn (PulleySizeTrial $one): float => $one->d, $sweep->trials);
        [$least, $most] = [min([$now, ...$sizes]), max([$now, ...$sizes])];
        $x = static fn (float $d): float => self::LEFT + (self::RIGHT - self::LEFT) * ($d - $least) / max(1e-9, $most - $least);
        $points = [];
        $fast = null;
        foreach ($sweep->trials as $i => $trial) {
            $travel = $trial->state->arm?->travel;
            $points[] = [
                'd' => $trial->d, 'x' => $x($trial->d), 'y' => null === $travel ? null : self::high($travel), 'stops' => $trial->stops(),
                'isNow' => abs($trial->d - $now) < 1e-6, 'isChosen' => abs($trial->d - $chosen) < 1e-6,
            ];
            $fast = in_array('over-speed', $trial->stops(), true) ? ($x($trial->d) + $x($sizes[$i + 1] ?? $trial->d)) / 2 : $fast;
        }

        return new self($points, self::high(100.0), self::high(0.0), $fast);
    }

    /** Percent of the window, 0 below; what is far outside stands at the edge. */
    private static function high(float $travel): float
    {
        return self::FOOT - (self::FOOT - self::TOP) * (max(-20.0, min(120.0, $travel)) + 20.0) / 140.0;
    }
}
