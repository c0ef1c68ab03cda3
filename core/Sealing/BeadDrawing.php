<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

/** A flange cut across, to scale in mm: the bead as it is laid, and what the closed joint leaves between the faces. */
final readonly class BeadDrawing
{
    private function __construct(public float $width, public float $bead, public float $gap, public bool $isSealant)
    {
    }

    public static function of(FaceSeal $seal, FaceWay $way): self
    {
        return new self($seal->width->millimetres, $seal->bead($way)->millimetres, $seal->gap->millimetres, $way->isSealant());
    }
}
