<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/** What a run at full throttle shows of its boost. */
enum BoostFinding: string
{
    case Sound = 'sound';
    case OverLimit = 'over-limit';
    case Short = 'short';
    case Hunting = 'hunting';
    case Spike = 'spike';
    case Creep = 'creep';
    case Tapers = 'tapers';
}
