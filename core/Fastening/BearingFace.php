<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fastening;

/**
 * The ring under a plain hexagon head: least washer-face diameter dw (ISO 4014) and hole dh (ISO 273 medium), mm.
 * Unified sizes: washer face 0.95 of the width across flats (ASME B18.2.1) and the normal clearance hole (ASME B18.2.8).
 */
final readonly class BearingFace
{
    private const HEXAGON = [
        'M3' => [4.57, 3.4], 'M4' => [5.88, 4.5], 'M5' => [6.88, 5.5], 'M6' => [8.88, 6.6], 'M7' => [9.63, 7.6], 'M8' => [11.63, 9.0], 'M10' => [14.63, 11.0],
        'M12' => [16.63, 13.5], 'M14' => [19.64, 15.5], 'M16' => [22.49, 17.5], 'M18' => [25.34, 20.0], 'M20' => [28.19, 22.0],
        'M22' => [31.71, 24.0], 'M24' => [33.61, 26.0],
        '#6' => [6.03, 3.9], '#8' => [6.03, 4.5], '#10' => [7.54, 5.2], '#12' => [7.54, 5.9], '1/4' => [10.56, 7.14], '5/16' => [12.07, 8.73], '3/8' => [13.57, 10.32],
        '7/16' => [15.08, 11.91], '1/2' => [18.10, 14.29], '9/16' => [19.61, 15.88], '5/8' => [22.62, 17.46], '3/4' => [27.15, 20.64],
    ];

    private function __construct(public float $outer, public float $hole)
    {
    }

    public static function hexagon(Thread $thread): self
    {
        [$outer, $hole] = self::HEXAGON[$thread->size];

        return new self($outer, $hole);
    }

    /** Mean bearing diameter DKm in mm, VDI 2230-1. */
    public function meanDiameter(): float
    {
        return ($this->outer + $this->hole) / 2;
    }
}
