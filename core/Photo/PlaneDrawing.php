<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/** The plane seen square on, to one scale: its marks, the points, and what was measured between them. Frame of 640 by 420. */
final readonly class PlaneDrawing
{
    private const WIDE = 640.0;
    private const HIGH = 420.0;
    private const EDGE = 44.0;

    /**
     * @param list<array{float, float}> $marks
     * @param list<array{float, float}> $points
     * @param list<array{x: float, y: float, r: float}> $circles
     * @param list<array{from: array{float, float}, to: array{float, float}}> $lines
     * @param array{mm: float, length: float} $rule a length to compare with
     */
    private function __construct(public array $marks, public array $points, public array $circles, public array $lines, public array $rule)
    {
    }

    /**
     * @param non-empty-list<array{float, float}> $marks mm
     * @param list<array{float, float}> $points mm
     * @param list<CircleFit> $circles
     * @param list<array{int, int}> $lines points they join
     * @param bool $isDown whether the second number of a mark grows downwards in the photo, so that it is drawn as it is seen
     */
    public static function of(array $marks, array $points, array $circles, array $lines, bool $isDown = false): self
    {
        $all = [...$marks, ...$points];
        foreach ($circles as $one) {
            array_push($all, [$one->x - $one->radius, $one->y - $one->radius], [$one->x + $one->radius, $one->y + $one->radius]);
        }
        [$left, $low] = [min(array_column($all, 0)), min(array_column($all, 1))];
        [$wide, $high] = [max(1e-6, max(array_column($all, 0)) - $left), max(1e-6, max(array_column($all, 1)) - $low)];
        $scale = min((self::WIDE - 2 * self::EDGE) / $wide, (self::HIGH - 2 * self::EDGE) / $high);
        $placed = [];
        foreach ($all as [$x, $y]) {
            $placed[] = self::placed($x, $isDown ? $low + $high - ($y - $low) : $y, [$left, $low], $scale);
        }
        $seen = array_slice($placed, count($marks), count($points));
        $rings = [];
        foreach ($circles as $one) {
            [$x, $y] = self::placed($one->x, $isDown ? $low + $high - ($one->y - $low) : $one->y, [$left, $low], $scale);
            $rings[] = ['x' => $x, 'y' => $y, 'r' => $scale * $one->radius];
        }
        $mm = 10 ** floor(log10(200 / $scale));

        return new self(
            array_slice($placed, 0, count($marks)), $seen, $rings,
            array_map(static fn (array $one): array => ['from' => $seen[$one[0]], 'to' => $seen[$one[1]]], $lines),
            ['mm' => $mm, 'length' => $scale * $mm],
        );
    }

    /**
     * @param array{float, float} $corner
     *
     * @return array{float, float}
     */
    private static function placed(float $x, float $y, array $corner, float $scale): array
    {
        return [self::EDGE + $scale * ($x - $corner[0]), self::HIGH - self::EDGE - $scale * ($y - $corner[1])];
    }
}
