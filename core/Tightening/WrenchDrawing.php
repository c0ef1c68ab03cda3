<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Drawing\Frame;

/** A wrench with its adapter, to scale, handle to the left; lengths in mm, the drive at the origin, y down. */
final readonly class WrenchDrawing
{
    private function __construct(
        public float $lever, public float $adapter, public float $angle, public float $boltX, public float $boltY,
        public Frame $frame,
    ) {
    }

    /** @param float $angle degrees: 0 straight out, 90 square, 180 folded back */
    public static function of(float $lever, float $adapter, float $angle): self
    {
        $x = $adapter * cos(deg2rad($angle));
        $y = -$adapter * sin(deg2rad($angle));
        $pad = max(34.0, 0.13 * $lever);

        return new self(
            $lever, $adapter, $angle, $x, $y, new Frame(
                -$lever * 1.22 - $pad * 0.3, min(0.0, $y) - $pad * 1.3, $lever * 1.22 + max(0.0, $x) + $pad * 1.5, abs($y) + $pad * 3.7,
            ),
        );
    }
}
