<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Quantity\Angle;

/** One pulley with its wrap, and what is needed beside what is there before it slips, as two bars in a frame of 640. */
final readonly class SlipDrawing
{
    private const LONG = 330.0;

    private function __construct(
        public string $wrap, public float $degrees, public float $neededLong, public float $availableLong, public float $needed,
        public float $available, public float $slack, public bool $slips,
    ) {
    }

    /** @param float $slack N, as the others */
    public static function of(Angle $wrap, float $needed, float $available, float $slack): self
    {
        $most = max($needed, $available);
        $half = deg2rad($wrap->degrees / 2);
        [$x, $y] = [110 * sin($half), 110 * cos($half)];

        return new self(
            sprintf('M%.1F %.1F A110 110 0 %d 1 %.1F %.1F', 140 - $x, 150 - $y, $wrap->degrees > 180 ? 1 : 0, 140 + $x, 150 - $y),
            $wrap->degrees, self::LONG * $needed / $most, self::LONG * $available / $most, $needed, $available, $slack,
            $available < $needed,
        );
    }
}
