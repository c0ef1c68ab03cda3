<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Something was written down. */
final readonly class Noted implements Fact
{
    public function __construct(public string $text, public string $step = '')
    {
    }
}
