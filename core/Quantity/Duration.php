<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** How long something takes, in minutes. */
final readonly class Duration
{
    private function __construct(public float $minutes)
    {
        is_finite($minutes) || throw InvalidQuantity::notFinite(Kind::Duration);
    }

    public static function minutes(float $minutes): self
    {
        return new self($minutes);
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->minutes);
    }
}
