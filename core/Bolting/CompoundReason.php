<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/** Why a compound and not another. */
enum CompoundReason
{
    case Heat;
    case Fluid;
    case StaysOn;
    case Shakes;
    case Galls;
    case SoftThread;
    case Usual;
}
