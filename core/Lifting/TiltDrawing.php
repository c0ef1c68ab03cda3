<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Drawing\Frame;

/** The engine's points before and after it is tipped, to scale in mm, y down; the obstacles as short walls. */
final readonly class TiltDrawing
{
    /**
     * @param array{float, float} $pivot
     * @param list<array{name: string, from: array{float, float}, to: array{float, float}, wall: array{float, float, float, float}}> $points
     * @param array{array{float, float}, array{float, float}} $lifted before and after
     */
    private function __construct(public Frame $frame, public array $pivot, public array $points, public array $lifted, public float $unit)
    {
    }

    /**
     * @param array{float, float} $pivot
     * @param array{float, float} $lifted
     * @param list<TiltPoint> $points
     */
    public static function of(array $pivot, array $lifted, float $turn, array $points): self
    {
        $drawn = [];
        $all = [$pivot, $lifted, Tilt::moved($lifted[0], $lifted[1], $pivot, $turn)];
        foreach ($points as $point) {
            $to = Tilt::moved($point->x, $point->y, $pivot, $turn);
            $way = deg2rad($point->direction);
            $at = [$point->x + $point->gap * cos($way), $point->y + $point->gap * sin($way)];
            array_push($all, [$point->x, $point->y], $to, $at);
            $drawn[] = [
                'name' => $point->name, 'from' => self::down([$point->x, $point->y]), 'to' => self::down($to), 'at' => $at, 'way' => $way,
            ];
        }
        [$xs, $ys] = [array_column($all, 0), array_column($all, 1)];
        $size = max(max($xs) - min($xs), max($ys) - min($ys), 1.0);
        $unit = $size / 100;
        $walls = array_map(static fn (array $one): array => [
            'name' => $one['name'], 'from' => $one['from'], 'to' => $one['to'], 'wall' => [
                $one['at'][0] - 8 * $unit * sin($one['way']), -$one['at'][1] - 8 * $unit * cos($one['way']),
                $one['at'][0] + 8 * $unit * sin($one['way']), -$one['at'][1] + 8 * $unit * cos($one['way']),
            ],
        ], $drawn);

        return new self(
            new Frame(min($xs) - 14 * $unit, -max($ys) - 16 * $unit, max($xs) - min($xs) + 34 * $unit, max($ys) - min($ys) + 32 * $unit),
            self::down($pivot), $walls, [self::down($lifted), self::down(Tilt::moved($lifted[0], $lifted[1], $pivot, $turn))], $unit,
        );
    }

    /**
     * @param array{float, float} $point
     *
     * @return array{float, float}
     */
    private static function down(array $point): array
    {
        return [$point[0], -$point[1]];
    }
}
