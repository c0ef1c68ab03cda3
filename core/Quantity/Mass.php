<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A mass that can be mistaken for nothing else. */
final readonly class Mass
{
    /** m/s², standard gravity (BIPM SI brochure). */
    public const GRAVITY = 9.80665;

    private function __construct(public float $kilograms)
    {
        is_finite($kilograms) || throw InvalidQuantity::notFinite(Kind::Mass);
    }

    public static function kilograms(float $kilograms): self
    {
        return new self($kilograms);
    }

    public function weight(): Force
    {
        return Force::newtons(self::GRAVITY * $this->kilograms);
    }
}
