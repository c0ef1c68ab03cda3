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

    /** @throws \LogicException for a figure of another kind */
    public static function of(Figure $figure): self
    {
        return new self($figure->quantity->in(Unit::Millimetre));
    }

    public function minus(self $other): self
    {
        return new self($this->millimetres - $other->millimetres);
    }

    /** How many times the other it is. */
    public function over(self $other): float
    {
        return $this->millimetres / $other->millimetres;
    }
}
