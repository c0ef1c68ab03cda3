<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/** Why a compound and not another. */
enum Because
{
    case Heat;
    case Fluid;
    case StaysOn;
    case Shakes;
    case Galls;
    case SoftThread;
    case Usual;
}
