<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Causes\CauseShelf;
use NimbleKnuckle\Core\Causes\Door\CauseSum;
use NimbleKnuckle\Core\Kit\Door\WrenchPick;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/** All the sums, found by their tag; those that count days count from today, that of causes has the tables that ship. */
final readonly class BookOfToday
{
    /** @param iterable<Sum> $doors */
    public function __construct(
        #[AutowireIterator('sum')] private iterable $doors, private ClockInterface $clock,
        private CauseShelf $causes,
    ) {
    }

    public function open(): SumBook
    {
        $sums = [];
        foreach ($this->doors as $door) {
            $sums[] = match (true) {
                $door instanceof WrenchPick => new WrenchPick($this->clock->now()),
                $door instanceof CauseSum => new CauseSum(...array_values($this->causes->all())),
                default => $door,
            };
        }

        return new SumBook(...$sums);
    }
}
