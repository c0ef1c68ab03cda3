<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** A picture a step wants: how it was, how it is now, or the proof of what was done. Only a proof holds the step. */
enum PictureRequest: string
{
    case Before = 'before';
    case After = 'after';
    case Proof = 'proof';

    public function label(): string
    {
        return match ($this) {
            self::Before => 'before',
            self::After => 'after',
            self::Proof => 'proof',
        };
    }

    /** What the button says while it is wanted. */
    public function wanted(): string
    {
        return match ($this) {
            self::Before => 'Picture before it comes off',
            self::After => 'Picture now it is on',
            self::Proof => 'Take the picture',
        };
    }
}
