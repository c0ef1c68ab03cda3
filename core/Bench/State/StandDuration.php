<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\FitEvent;

/**
 * How long something was left alone between two events, in s: by the events' own times on one tablet, but never longer than
 * the server saw. Of two tablets only the server's clock can be compared. What a tablet sent late is dated by its own clock.
 */
final readonly class StandDuration
{
    /** Seconds by which the first of two messages may have come in later than it was sent. */
    private const SLACK = 2.0;

    private function __construct(public float $seconds, public bool $byTabletClock)
    {
    }

    /** @param ?FitEvent $before the last event before the beginning that came in live: what was queued cannot be older */
    public static function between(FitEvent $begun, FitEvent $ended, ?FitEvent $before): self
    {
        $queued = $begun->wasQueued() || $ended->wasQueued();
        $own = self::seconds($begun->at, $ended->at);
        $from = $begun->wasQueued() ? $before?->receipt->at : $begun->receipt->at;
        $seen = null === $from ? $own : self::seconds($from, $ended->receipt->at);
        $stood = $begun->receipt->device === $ended->receipt->device ? min($own, $seen + self::SLACK) : $seen;

        return new self(max(0.0, $stood), $queued);
    }

    /** As long as a curve lasted that was drawn of it. */
    public static function watched(float $seconds): self
    {
        return new self($seconds, false);
    }

    /** Not ended yet. */
    public static function none(): self
    {
        return new self(0.0, false);
    }

    private static function seconds(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return (float) $to->format('U.u') - (float) $from->format('U.u');
    }
}
