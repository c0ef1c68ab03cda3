<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark;

/** The face of a plug that came out, as it is compared with drawn ones. */
enum PlugLook: string
{
    case Tan = 'even tan';
    case BlackDry = 'black dry';
    case BlackWet = 'black wet';
    case White = 'white';
    case Blistered = 'blistered';
    case Oil = 'oil';
    case Ash = 'ash';
    case Cracked = 'cracked';
    case Bridged = 'bridged';

    /** Whether the plug is done for, whatever its gap. */
    public function isSpent(): bool
    {
        return in_array($this, [self::Blistered, self::Cracked, self::Bridged], true);
    }
}
