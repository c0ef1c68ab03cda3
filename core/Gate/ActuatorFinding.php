<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/** What a wastegate actuator shows on a hand pump. */
enum ActuatorFinding: string
{
    case Sound = 'sound';
    case Sticks = 'sticks';
    case Leaks = 'leaks';
    case SpringOffLabel = 'spring-off-label';
    case StoppedShort = 'stopped-short';
    case NeverMoves = 'never-moves';
}
