<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;

/**
 * What became of one counted piece: it fell, it broke, or a new one came in its place. “Late” is after its removal was
 * closed, so that it was missing from the tray and not on the way into it.
 */
final readonly class PieceFate
{
    public function __construct(public FitEvent $event, public bool $late, public bool $isFound = false, public bool $foundLate = false)
    {
    }

    public function found(bool $late): self
    {
        return new self($this->event, $this->late, true, $late);
    }

    public function isBroken(): bool
    {
        return EventType::Broke === $this->event->type || EventType::Mishap === $this->event->type;
    }

    public function isSettled(): bool
    {
        return EventType::Settled === $this->event->type;
    }

    public function isLost(): bool
    {
        return EventType::Dropped === $this->event->type && !$this->isFound;
    }
}
