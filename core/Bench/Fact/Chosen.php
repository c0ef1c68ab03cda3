<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Of two readings of one field that do not agree, taken each without the other, this one is so. */
final readonly class Chosen implements Fact
{
    /** @param string $event the reading that holds */
    public function __construct(public string $step, public string $field, public string $event)
    {
    }
}
