<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;

/**
 * A ring of round section in its groove: how far it is stretched and squeezed, how much of the groove it fills, and how far
 * a cover comes down on it before metal meets metal. A stretched ring is thinner.
 * Source: ISO 3601-2 practice.
 */
final readonly class SealSqueeze
{
    private function __construct(
        public Formula $stretched, public Formula $thin, public Length $thinned, public Formula $squeezed, public Formula $filled,
        public Formula $down,
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
        $sizes = ['W' => $section->millimetres, 'Di' => $inner->millimetres, 'Dg' => $grooveInner->millimetres];
        $stretch = Formula::of('(Dg − Di) / Di', $sizes);
        $thin = Formula::of($stretch->value > 0.0 ? 'W′ = W √((Di + W)/(Dg + W))' : 'W′ = W', $sizes);
        $groove = ['W′' => $thin->value, 'h' => $depth->millimetres, 'b' => $width->millimetres];

        return new self(
            $stretch, $thin, Length::millimetres($thin->value), Formula::of('1 − h / W′', $groove), Formula::of('π W′² / (4 h b)', $groove),
            Formula::of('W′ − h', $groove),
        );
    }

    public function stretch(): Share
    {
        return Share::ofOne($this->stretched->value);
    }

    public function squeeze(): Share
    {
        return Share::ofOne($this->squeezed->value);
    }

    /** Of the groove. */
    public function fill(): Share
    {
        return Share::ofOne($this->filled->value);
    }

    /** How far a cover comes down on it; nothing where the groove is deeper than the ring. */
    public function travel(): Length
    {
        return Length::millimetres(max(0.0, $this->down->value));
    }
}
