<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet\Pace;

use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Times\Learned;
use NimbleKnuckle\Core\Times\Tally;

/** How long steps take in this workshop, by what was done. A step that runs by itself takes what it takes. */
final readonly class Paces
{
    /** Jobs, from which it is believed. */
    public const LEAST = 3;

    /** @param array<string, Tally> $tallies step => what it came to, each against the procedure's own minutes */
    public function __construct(private array $tallies = [])
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function onto(array $steps): array
    {
        return [] === $this->tallies ? $steps : array_map(function (Step $step): Step {
            $minutes = $this->of($step);

            return null === $minutes ? $step : $step->with(minutes: $minutes);
        }, $steps);
    }

    private function of(Step $step): ?Minutes
    {
        $own = $step->slot->minutes;
        $tally = $this->tallies[$step->id] ?? null;
        if (null === $tally || $tally->n < self::LEAST || $step->slot->passive || $own->low <= 0.0 || $own->from > 0) {
            return null;
        }
        $learned = Learned::by([$own->low, $own->likely, $own->high], $tally);
        $round = static fn (float $one): float => round($one, 1);

        return (new Minutes($round($learned->low), $round($learned->likely), $round($learned->high)))->learned($tally->n, $own->likely);
    }
}
