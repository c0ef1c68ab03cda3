<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/** What is wrong with a joint, where it begins and how bad it is, both as a share, 0 to 1. */
final readonly class Flaw
{
    public function __construct(public Fault $kind, public float $at, public float $severity)
    {
    }
}
