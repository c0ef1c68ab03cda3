<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;

/** What is left of a gap once things are hot and the engine rocks: linear expansion, and lever times angle. */
final readonly class Gap
{
    /**
     * @param Formula $rocking mm
     * @param Formula $margin mm
     */
    private function __construct(public Length $hot, public Formula $rocking, public Formula $margin)
    {
    }

    /** @param list<GapPart> $parts */
    public static function of(Length $cold, array $parts, Angle $roll, Length $lever, Length $least): self
    {
        $hot = $cold->millimetres;
        foreach ($parts as $part) {
            $hot += ($part->moves ? -1 : 1) * $part->growth()->millimetres;
        }
        $rocking = Formula::of('hot − lever × roll in rad', [
            'hot' => $hot, 'lever' => $lever->millimetres, 'roll in rad' => $roll->radians(),
        ]);

        return new self(Length::millimetres($hot), $rocking, Formula::of('rocking − least', [
            'rocking' => $rocking->value, 'least' => $least->millimetres,
        ]));
    }
}
