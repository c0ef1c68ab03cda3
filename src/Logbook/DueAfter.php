<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

/** The fit a check comes from, and which follow-up of it. */
final readonly class DueAfter
{
    public function __construct(public string $fitId, public string $followUp, public string $short, public string $fitTitle)
    {
    }
}
