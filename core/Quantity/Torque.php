<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A turning moment that can be mistaken for nothing else. */
final readonly class Torque
{
    private function __construct(public float $newtonMetres)
    {
        is_finite($newtonMetres) || throw InvalidQuantity::notFinite(Kind::Torque);
    }

    public static function newtonMetres(float $newtonMetres): self
    {
        return new self($newtonMetres);
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->newtonMetres);
    }

    /** How many times the other it is. */
    public function over(self $other): float
    {
        return $this->newtonMetres / $other->newtonMetres;
    }
}
