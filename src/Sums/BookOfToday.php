<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Sum\SumBook;
use Psr\Clock\ClockInterface;

/** The sums with today's date, which the core does not know. */
final readonly class BookOfToday
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function open(): SumBook
    {
        return SumBook::standard($this->clock->now());
    }
}
