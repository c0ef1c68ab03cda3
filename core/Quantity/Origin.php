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
    case Printed = 'printed';
    case Workshop = 'workshop';

    public function label(): string
    {
        return match ($this) {
            self::Makers => 'maker’s figure',
            self::Printed => 'printed on the part',
            self::Workshop => 'workshop’s own figure',
            default => $this->value,
        };
    }
}
