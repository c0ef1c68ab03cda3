<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

/** Whose hand makes a mark, and so what it may do. The server itself is a hand too: it judges curves and pins sums. */
enum Authority: int
{
    case Helper = 1;
    case Mechanic = 2;
    case Lead = 3;
    case Server = 4;

    public function isLead(): bool
    {
        return self::Lead === $this;
    }

    /** Whether it may waive what can hurt somebody. */
    public function mayWaiveDanger(): bool
    {
        return self::Mechanic === $this || self::Lead === $this;
    }
}
