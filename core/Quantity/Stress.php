<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A stress or strength of a material, never a pressure of a fluid. */
final readonly class Stress
{
    private function __construct(public float $megapascals)
    {
        is_finite($megapascals) || throw InvalidQuantity::notFinite(Kind::Stress);
    }

    public static function megapascals(float $megapascals): self
    {
        return new self($megapascals);
    }
}
