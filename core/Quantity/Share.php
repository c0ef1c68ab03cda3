<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A share of a whole; 1 is all of it. */
final readonly class Share
{
    private function __construct(public float $ofOne)
    {
        is_finite($ofOne) || throw InvalidQuantity::notFinite(Kind::Percent);
    }

    public static function ofOne(float $share): self
    {
        return new self($share);
    }

    public static function ofHundred(float $percent): self
    {
        return new self($percent / 100);
    }

    public static function whole(): self
    {
        return new self(1.0);
    }

    public function percent(): float
    {
        return 100 * $this->ofOne;
    }
}
