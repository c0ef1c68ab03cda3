<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

/** What a sealing face is made of: it says how rigid it is, and what a sealant may be asked to do. */
enum Face: string
{
    case Cast = 'cast';
    case Machined = 'machined';
    case Pressed = 'pressed';
}
