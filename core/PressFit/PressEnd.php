<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

/** How a hub went on. */
enum PressEnd: string
{
    case Seated = 'seated';
    case NotSeated = 'not-seated';
    case PickingUp = 'picking-up';
    case Free = 'free';
}
