<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Labour;

/** The time between two marks of one person, given to the step that the later one is of. A long one was an interruption. */
final readonly class WorkInterval
{
    /**
     * @param string $event the later mark
     * @param float $minutes between the two
     * @param bool $isAway whether it counts as an interruption
     * @param bool $isSaid whether somebody said which it was
     */
    public function __construct(
        public string $event, public string $step, public string $by, public \DateTimeImmutable $from, public float $minutes,
        public bool $isAway, public bool $isSaid,
    ) {
    }
}
