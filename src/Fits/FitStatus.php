<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

enum FitStatus: string
{
    case Planned = 'planned';
    case InHand = 'in-hand';
    case Signed = 'signed';
    case OnHold = 'on-hold';
    case Cancelled = 'cancelled';

    /** Planned or in hand: neither signed nor stopped. */
    public function takesMarks(): bool
    {
        return self::Planned === $this || self::InHand === $this;
    }

    /** Whether there is still something to come of it. */
    public function isOpen(): bool
    {
        return $this->takesMarks() || self::OnHold === $this;
    }

    /** Nothing is marked on it until it is taken up again. */
    public function isStopped(): bool
    {
        return self::OnHold === $this || self::Cancelled === $this;
    }

    public function label(): string
    {
        return str_replace('-', ' ', $this->value);
    }
}
