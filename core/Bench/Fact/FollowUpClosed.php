<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A check that was booked has been done. */
final readonly class FollowUpClosed implements Fact
{
    public function __construct(public string $followUp, public string $outcome)
    {
    }
}
