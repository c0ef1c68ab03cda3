<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A volume that can be mistaken for nothing else. */
final readonly class Volume
{
    private function __construct(public float $litres)
    {
        is_finite($litres) || throw InvalidQuantity::notFinite(Kind::Volume);
    }

    public static function litres(float $litres): self
    {
        return new self($litres);
    }

    public function plus(self $other): self
    {
        return new self($this->litres + $other->litres);
    }

    public function minus(self $other): self
    {
        return new self($this->litres - $other->litres);
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->litres);
    }

    /** How many times the other it is. */
    public function over(self $other): float
    {
        return $this->litres / $other->litres;
    }

    public function orLess(self $other): self
    {
        return $other->litres < $this->litres ? $other : $this;
    }
}
