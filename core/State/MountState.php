<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\State;

/** How far a mount still carries: bolted, standing loose in its place, or off the vehicle. */
enum MountState: string
{
    case Bolted = 'bolted';
    case Undone = 'undone';
    case Off = 'off';
}
