<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Repeatable chance: the same seed gives the same row of numbers. */
final readonly class Luck
{
    private Randomizer $dice;

    public function __construct(int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->dice->getInt(0, 1_000_000) / 1_000_000;
    }

    /** About normal: mean 0, deviation 1 (twelve uniform numbers less six). */
    public function normal(): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; ++$i) {
            $sum += $this->between(0.0, 1.0);
        }

        return $sum;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $items
     *
     * @return T
     */
    public function oneOf(array $items): mixed
    {
        return $items[$this->dice->getInt(0, count($items) - 1)];
    }
}
