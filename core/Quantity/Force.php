<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A force that can be mistaken for nothing else. */
final readonly class Force
{
    private function __construct(public float $newtons)
    {
        is_finite($newtons) || throw InvalidQuantity::notFinite(Kind::Force);
    }

    public static function newtons(float $newtons): self
    {
        return new self($newtons);
    }

    public function plus(self $other): self
    {
        return new self($this->newtons + $other->newtons);
    }

    public function minus(self $other): self
    {
        return new self($this->newtons - $other->newtons);
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->newtons);
    }

    /** How many times the other it is. */
    public function over(self $other): float
    {
        return $this->newtons / $other->newtons;
    }

    public function orLess(self $other): self
    {
        return $other->newtons < $this->newtons ? $other : $this;
    }

    public function kilonewtons(): float
    {
        return $this->newtons / 1000;
    }
}
