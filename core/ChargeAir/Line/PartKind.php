<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

/** What stands in the way of the air between filter and throttle. */
enum PartKind: string
{
    case Filter = 'filter';
    case Compressor = 'compressor';
    case Pipe = 'pipe';
    case Cooler = 'cooler';
    case Throttle = 'throttle';
}
