<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** What the gauge of a charge path shows that was shut under pressure. */
enum LeakFinding: string
{
    case Tight = 'tight';
    case Leaks = 'leaks';
    case CoolsDown = 'cools-down';
    case Rises = 'rises';
    case LetsGo = 'lets-go';
}
