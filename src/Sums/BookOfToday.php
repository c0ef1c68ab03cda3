<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Plan\Door\WrenchPick;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/** All the sums, found by their tag; those that count days count from today, which the core does not know. */
final readonly class BookOfToday
{
    /** @param iterable<Sum> $doors */
    public function __construct(#[AutowireIterator('sum')] private iterable $doors, private ClockInterface $clock)
    {
    }

    public function open(): SumBook
    {
        $sums = [];
        foreach ($this->doors as $door) {
            $sums[] = $door instanceof WrenchPick ? new WrenchPick($this->clock->now()) : $door;
        }

        return new SumBook(...$sums);
    }
}
