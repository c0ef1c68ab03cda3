<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Photo;

/** What can be drawn on a picture. It is kept as data beside the picture, which stays as it was taken. */
enum MarkKind: string
{
    case Arrow = 'arrow';
    case Ring = 'ring';
    case Line = 'line';
    case Text = 'text';
    case Number = 'number';

    /** Set by one tap and what is written there; the others go from one point to another. */
    public function isWritten(): bool
    {
        return self::Text === $this || self::Number === $this;
    }
}
