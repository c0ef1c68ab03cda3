<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\State;

/** One of a body's own mounts. */
final readonly class Mount
{
    public function __construct(public string $item, public string $name, public MountState $state)
    {
    }
}
