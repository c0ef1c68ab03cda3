<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Fill;

/** The stage to go back to where it has to be done once more, and what is said then; empty for none. */
final readonly class Again
{
    public function __construct(public string $stage = '', public string $text = '')
    {
    }
}
