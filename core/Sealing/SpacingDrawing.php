<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Quantity\Length;

/** The bolts round a flange, to scale in mm, y down; the stretches between them, and which are too long. */
final readonly class SpacingDrawing
{
    /**
     * @param list<array{float, float}> $points
     * @param list<array{float, float, float, float, bool}> $stretches from, to, whether it is too long
     */
    private function __construct(
        public array $points, public array $stretches, public float $bolt, public float $left, public float $top, public float $width,
        public float $height,
    ) {
    }

    /** @param non-empty-list<array{float, float}> $points */
    public static function of(array $points, BoltSpacing $spacing, Length $bolt, bool $isExempt): self
    {
        $stretches = [];
        foreach ($spacing->pitches as $i => $pitch) {
            $to = $points[$i + 1] ?? $points[0];
            $stretches[] = [...$points[$i], ...$to, !$isExempt && $spacing->isWide($pitch)];
        }
        [$xs, $ys] = [array_column($points, 0), array_column($points, 1)];
        $margin = max(2.5 * $bolt->millimetres, 0.06 * max(max($xs) - min($xs), max($ys) - min($ys)));

        return new self(
            $points, $stretches, $bolt->millimetres, min($xs) - $margin, min($ys) - $margin, max($xs) - min($xs) + 2 * $margin,
            max($ys) - min($ys) + 2 * $margin,
        );
    }
}
