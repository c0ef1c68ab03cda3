<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A temperature on its scale; a difference of two is a number of kelvins. */
final readonly class Temperature
{
    private function __construct(public float $celsius)
    {
        is_finite($celsius) || throw InvalidQuantity::notFinite(Kind::Temperature);
    }

    public static function celsius(float $celsius): self
    {
        return new self($celsius);
    }

    public function kelvinsAbove(self $other): float
    {
        return $this->celsius - $other->celsius;
    }
}
