<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;

/**
 * Whether two pulleys run in one plane: a straight edge along the one stands off the other’s rim, nearer and farther edge. The
 * angle of the belt over the free span, and how far the other pulley would have to move. Limits are working values.
 */
final readonly class Alignment
{
    /** Degrees: from here on it is said, from there on it is too much. */
    public const SAID = 0.33;
    public const MOST = 0.5;

    /** @param float $tilt degrees that the other pulley leans, by its two edges; 0 where one was measured */
    private function __construct(public Angle $angle, public Length $offset, public float $tilt)
    {
    }

    /**
     * @param Length $near and $far where its two edges stand off the straight edge; the offset is their mean
     * @param ?Length $across from the one edge to the other; null where only one was measured
     * @param Length $rims what the rib of the one stands deeper in its pulley than that of the other
     */
    public static function of(Length $near, Length $far, ?Length $across, Length $span, Length $rims): self
    {
        $offset = ($near->millimetres + $far->millimetres) / 2 - $rims->millimetres;
        $tilt = null === $across ? 0.0 : rad2deg(atan2($far->millimetres - $near->millimetres, $across->millimetres));

        return new self(Angle::degrees(self::angleFormula($offset, $span)->value), Length::millimetres($offset), $tilt);
    }

    /** Degrees; the offset in mm. */
    public static function angleFormula(float $offset, Length $span): Formula
    {
        return Formula::of('atan(offset/span)', ['offset' => abs($offset), 'span' => $span->millimetres]);
    }
}
