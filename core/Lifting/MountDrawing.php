<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Drawing\Frame;

/** Mounts where they are, to scale in mm, y down, each with the force on it as an arrow; the elastic centre. */
final readonly class MountDrawing
{
    /**
     * @param list<array{name: string, x: float, y: float, toX: float, toY: float, share: float}> $mounts
     * @param array{float, float} $centre
     */
    private function __construct(public Frame $frame, public array $mounts, public array $centre, public float $unit)
    {
    }

    /** @param non-empty-list<EngineMount> $mounts */
    public static function of(array $mounts, MountShare $share): self
    {
        [$xs, $ys] = [array_column($mounts, 'x'), array_column($mounts, 'y')];
        $size = max(max($xs) - min($xs), max($ys) - min($ys), 1.0);
        $unit = $size / 100;
        $most = max(1e-9, ...array_map(static fn (array $one): float => hypot(...$one), $share->forces));
        $drawn = [];
        foreach ($mounts as $i => $mount) {
            [$fx, $fy] = $share->forces[$i];
            $drawn[] = [
                'name' => $mount->name, 'x' => $mount->x, 'y' => -$mount->y, 'toX' => $mount->x + 26 * $unit * $fx / $most,
                'toY' => -$mount->y - 26 * $unit * $fy / $most, 'share' => 100 * $share->shares[$i],
            ];
        }

        return new self(
            new Frame(min($xs) - 36 * $unit, -max($ys) - 34 * $unit, max($xs) - min($xs) + 72 * $unit, max($ys) - min($ys) + 68 * $unit),
            $drawn, [$share->centre[0], -$share->centre[1]], $unit,
        );
    }
}
