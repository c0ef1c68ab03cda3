<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** Who signed a fit off, and when; empty while nobody has. */
final readonly class Signature
{
    public function __construct(public string $at, public string $by)
    {
    }
}
