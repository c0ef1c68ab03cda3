<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Joint;

/** What is done to a fastener to bring it one rung up. */
enum StageKind: string
{
    case Started = 'started';
    case Drawn = 'drawn';
    case Snug = 'snug';
    case Torque = 'torque';
    case Angle = 'angle';
    case Check = 'check';
}
