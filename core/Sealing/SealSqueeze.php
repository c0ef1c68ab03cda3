<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;

/**
 * A ring of round section in its groove: how far it is stretched and squeezed, how much of the groove it fills, and how far
 * a cover comes down on it before metal meets metal. A stretched ring is thinner: W′ = W √((Di + W)/(Dg + W)).
 * Source: ISO 3601-2 practice.
 */
final readonly class SealSqueeze
{
    private function __construct(
        public Share $stretch, public Length $thinned, public Share $squeeze, public Share $fill, public Length $travel,
    ) {
    }

    /**
     * @param Length $section of the ring
     * @param Length $inner of the ring, unstretched
     * @param Length $depth of the groove
     * @param Length $width of the groove
     * @param Length $grooveInner the diameter the ring lies on
     */
    public static function of(Length $section, Length $inner, Length $depth, Length $width, Length $grooveInner): self
    {
        $stretch = $grooveInner->minus($inner)->over($inner);
        $thinner = $stretch > 0.0 ? sqrt(
            ($inner->millimetres + $section->millimetres) / ($grooveInner->millimetres + $section->millimetres),
        ) : 1.0;
        $thinned = Length::millimetres($section->millimetres * $thinner);

        return new self(
            Share::ofOne($stretch), $thinned, Share::ofOne(1 - $depth->over($thinned)),
            Share::ofOne(\M_PI * $thinned->millimetres ** 2 / (4 * $depth->millimetres * $width->millimetres)),
            Length::millimetres(max(0.0, $thinned->millimetres - $depth->millimetres)),
        );
    }
}
