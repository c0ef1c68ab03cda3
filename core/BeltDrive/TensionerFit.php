<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** How a belt of some length suits a tensioner. */
enum TensionerFit: string
{
    case InWindow = 'in-window';
    case LongOfWindow = 'long-of-window';
    case ShortOfWindow = 'short-of-window';
    case TooLong = 'too-long';
    case TooShort = 'too-short';
}
