<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

/** How a check ended: who did it, and what was found; open while nobody has. */
final readonly class DueOutcome
{
    public function __construct(public bool $isOpen, public string $by, public string $said)
    {
    }
}
