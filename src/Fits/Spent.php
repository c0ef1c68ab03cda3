<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** Minutes of a fit: left, planned, and taken at the bench. */
final readonly class Spent
{
    public function __construct(public float $left, public float $planned, public float $taken)
    {
    }
}
