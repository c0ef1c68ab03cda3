<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** Two pulleys seen from above with the straight edge between them; the offset is drawn larger and says how much. Frame of 640 by 260. */
final readonly class AlignmentDrawing
{
    private const LARGER = 12.0;
    private const MOST = 60.0;

    private function __construct(public float $shift, public float $offset, public float $angle, public bool $isFar)
    {
    }

    public static function of(Alignment $alignment): self
    {
        $offset = $alignment->offset->millimetres;

        return new self(
            max(-self::MOST, min(self::MOST, self::LARGER * $offset)), $offset, $alignment->angle->degrees,
            $alignment->angle->degrees > Alignment::MOST,
        );
    }
}
