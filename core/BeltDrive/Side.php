<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** Which side of the belt a pulley touches: its ribs, or its smooth back. */
enum Side: string
{
    case Ribs = 'ribs';
    case Back = 'back';
}
