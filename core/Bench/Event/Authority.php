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

    /** What the server works out by itself is not a right: it waives, stops and signs nothing. */
    public function may(BenchRight $right): bool
    {
        return self::Server !== $this && $this->value >= $right->least()->value;
    }
}
