<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A lead signed, over so many entries of the review and so many facts that were shown. */
final readonly class Signed implements Fact
{
    public function __construct(public string $remark = '', public int $seen = 0, public int $shown = 0)
    {
    }
}
