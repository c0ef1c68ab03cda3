<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** An angle in degrees that can be mistaken for nothing else. */
final readonly class Angle
{
    private function __construct(public float $degrees)
    {
        is_finite($degrees) || throw InvalidQuantity::notFinite(Kind::Angle);
    }

    public static function degrees(float $degrees): self
    {
        return new self($degrees);
    }

    public function plus(self $other): self
    {
        return new self($this->degrees + $other->degrees);
    }

    /** How many times the other it is. */
    public function over(self $other): float
    {
        return $this->degrees / $other->degrees;
    }

    public function radians(): float
    {
        return deg2rad($this->degrees);
    }
}
