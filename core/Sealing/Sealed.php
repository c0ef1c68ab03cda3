<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

/** What a joint face holds back. */
enum Sealed: string
{
    case Coolant = 'coolant';
    case Oil = 'oil';
    case Fuel = 'fuel';
    case Air = 'air';
}
