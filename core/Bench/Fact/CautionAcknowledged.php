<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A caution was read: which of the step, from 0. */
final readonly class CautionAcknowledged implements Fact
{
    public function __construct(public string $step, public int $caution)
    {
    }
}
