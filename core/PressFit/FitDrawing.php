<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Quantity\Length;

/** Shaft and hub cut across, to scale in mm; the interference is drawn larger and says how much. */
final readonly class FitDrawing
{
    /** Of the hub's outside: as wide as the interference is drawn. */
    private const SHOWN = 0.03;

    private function __construct(
        public float $outside, public float $shaft, public float $inside, public float $shown, public float $interference,
        public bool $isTight,
    ) {
    }

    public static function of(Length $shaft, Length $outside, Length $inside, Length $interference): self
    {
        return new self(
            $outside->millimetres / 2, $shaft->millimetres / 2, $inside->millimetres / 2, self::SHOWN * $outside->millimetres,
            $interference->millimetres, $interference->millimetres > 0.0,
        );
    }
}
