<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Labour;

use NimbleKnuckle\Core\Bench\Fit;

/**
 * Whose hands were at a fit and how long, read off the log: minutes from each mark of a person to the next one, where more than an
 * hour counts as away. Two at once are both counted.
 */
final readonly class LabourTimes
{
    public const AWAY = 60.0;

    /** @param float $minutes at the bench */
    private function __construct(public float $minutes, public int $marks)
    {
    }

    /** @return array<string, self> person => time and marks, the longest first */
    public static function of(Fit $fit): array
    {
        $at = [];
        foreach ($fit->state->log as $event) {
            $at[$event->by][] = $event->at;
        }
        $hands = array_map(static fn (array $marks): self => new self(self::minutes($marks), count($marks)), $at);
        uasort($hands, static fn (self $a, self $b): int => [$b->minutes, $b->marks] <=> [$a->minutes, $a->marks]);

        return $hands;
    }

    /** @param list<\DateTimeImmutable> $marks in the order they were kept */
    public static function minutes(array $marks): float
    {
        $minutes = 0.0;
        for ($i = 1; $i < count($marks); ++$i) {
            $gap = ((float) $marks[$i]->format('U.u') - (float) $marks[$i - 1]->format('U.u')) / 60;
            $minutes += $gap > 0.0 && $gap <= self::AWAY ? $gap : 0.0;
        }

        return $minutes;
    }
}
