<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Quantity\Length;

/** A ring in its groove under the cover, cut across, to scale in mm: as an ellipse of the ring's own area, as high as the groove. */
final readonly class GrooveDrawing
{
    private function __construct(
        public float $section, public float $depth, public float $width, public float $squashed, public float $squeeze,
    ) {
    }

    public static function of(SealSqueeze $seal, Length $depth, Length $width): self
    {
        $free = $seal->thinned->millimetres;

        return new self(
            $free, $depth->millimetres, $width->millimetres, $free ** 2 / min($free, $depth->millimetres),
            $seal->squeeze()->percent(),
        );
    }
}
