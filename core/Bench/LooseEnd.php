<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/** Something opened, removed, dropped, waiting or due that has not been closed; the step is where it is closed. */
final readonly class LooseEnd
{
    public function __construct(public string $id, public LooseEndKind $kind, public string $what, public string $step, public string $since)
    {
    }
}
