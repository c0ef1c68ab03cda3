<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** Where a figure came from. An estimate never looks like a specification. */
enum Origin: string
{
    case Entered = 'entered';
    case Makers = 'makers';
    case Computed = 'computed';
    case Estimated = 'estimated';
    case Measured = 'measured';

    public function label(): string
    {
        return self::Makers === $this ? 'maker’s figure' : $this->value;
    }
}
