<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** What is parted from an item on the way: each is put back in its own manner. */
enum EndKind: string
{
    case Plug = 'plug';
    case Clip = 'clip';
    case Hose = 'hose';
    case Line = 'line';
    case Earth = 'earth';
}
