<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;

/** The wall of a hose under its band, cut lengthwise and to scale; the way of its screw beside it. Frame of 640 by 300. */
final readonly class ClampDrawing
{
    /** mm: the pipe’s wall and the band as drawn. */
    private const PIPE = 2.0;
    private const BAND = 12.0;
    private const HIGH = 130.0;
    private const WIDE = 300.0;
    /** Middle of the screw’s head, and how far out its arc lies. */
    private const SCREW = [530.0, 120.0, 68.0];

    /**
     * @param float $scale of the frame to a mm
     * @param string $arc the way the screw went; a whole turn and more is a ring
     */
    private function __construct(
        public float $scale, public float $wall, public float $gave, public string $arc, public float $degrees, public Length $thick,
        public Length $moved,
    ) {
    }

    public static function of(Length $wall, Length $gave, Angle $turn): self
    {
        $scale = min(self::HIGH / $wall->millimetres, self::WIDE / self::BAND);
        [$x, $y, $out] = self::SCREW;
        $end = deg2rad(min(359.0, $turn->degrees));
        $arc = sprintf(
            'M%.1f %.1f A%.1f %.1f 0 %d 1 %.1f %.1f', $x, $y - $out, $out, $out, $end > \M_PI ? 1 : 0, $x + $out * sin($end),
            $y - $out * cos($end),
        );

        return new self(
            $scale, $scale * $wall->millimetres, $scale * $gave->millimetres, $arc, $turn->degrees, $wall, $gave,
        );
    }

    public function pipe(): float
    {
        return $this->scale * self::PIPE;
    }

    public function band(): float
    {
        return $this->scale * self::BAND;
    }
}
