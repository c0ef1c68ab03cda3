<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** One move of laying a belt: round which pulley, what is said, and which pulleys have it then. */
final readonly class RouteStep
{
    /** @param list<int> $laid places of the pulleys that have the belt once it is done */
    public function __construct(public int $at, public string $said, public array $laid, public bool $isRelieved = false)
    {
    }
}
