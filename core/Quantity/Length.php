<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A length that can be mistaken for nothing else. */
final readonly class Length
{
    private function __construct(public float $millimetres)
    {
        is_finite($millimetres) || throw InvalidQuantity::notFinite(Kind::Length);
    }

    public static function millimetres(float $millimetres): self
    {
        return new self($millimetres);
    }

    public function plus(self $other): self
    {
        return new self($this->millimetres + $other->millimetres);
    }

    public function minus(self $other): self
    {
        return new self($this->millimetres - $other->millimetres);
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->millimetres);
    }

    /** How many times the other it is. */
    public function over(self $other): float
    {
        return $this->millimetres / $other->millimetres;
    }
}
