<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;

/** What is left of a gap once things are hot and the engine rocks: linear expansion, and lever times angle. */
final readonly class Gap
{
    private function __construct(public Length $hot, public Length $rocking, public Length $margin)
    {
    }

    /** @param list<GapPart> $parts */
    public static function of(Length $cold, array $parts, Angle $roll, Length $lever, Length $least): self
    {
        $hot = $cold->millimetres;
        foreach ($parts as $part) {
            $hot += ($part->moves ? -1 : 1) * $part->growth()->millimetres;
        }
        $rocking = $hot - $lever->millimetres * $roll->radians();

        return new self(
            Length::millimetres($hot), Length::millimetres($rocking), Length::millimetres($rocking - $least->millimetres),
        );
    }
}
