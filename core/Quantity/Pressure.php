<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A pressure; whether over the outside air or absolute, the name it goes by tells. */
final readonly class Pressure
{
    private function __construct(public float $kilopascals)
    {
        is_finite($kilopascals) || throw InvalidQuantity::notFinite(Kind::Pressure);
    }

    public static function kilopascals(float $kilopascals): self
    {
        return new self($kilopascals);
    }

    public function plus(self $other): self
    {
        return new self($this->kilopascals + $other->kilopascals);
    }

    public function minus(self $other): self
    {
        return new self($this->kilopascals - $other->kilopascals);
    }
}
