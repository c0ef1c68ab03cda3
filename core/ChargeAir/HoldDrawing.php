<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Length;

/** A pipe end with its bead, hose and clamp, to scale with itself; two bars for push and hold. Frame of 640 by 300. */
final readonly class HoldDrawing
{
    /** Drawn mm of hose wall, bead and band. */
    private const WALL = 4.5;
    private const BEAD = 2.2;
    private const HIGH = 150.0;
    private const BAR = 420.0;

    /** @param array{push: float, least: float, hold: float} $bars */
    private function __construct(
        public float $pipe, public float $wall, public float $bead, public float $diameter, public array $bars, public float $pushNewtons,
        public float $leastNewtons,
    ) {
    }

    public static function of(Length $diameter, float $flank, float $push, float $least, float $hold): self
    {
        $scale = self::HIGH / ($diameter->millimetres + 2 * self::WALL + 2 * self::BEAD);
        $most = max($push, $hold, 1e-9);

        return new self(
            $scale * $diameter->millimetres, $scale * self::WALL, $flank > 0.0 ? $scale * self::BEAD : 0.0, $diameter->millimetres,
            [
                'push' => self::BAR * $push / $most, 'least' => self::BAR * $least / $most, 'hold' => self::BAR * $hold / $most,
            ], $push, $least,
        );
    }
}
