<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Act;

/** What is in turn at a step: one thing at a time is asked of the hand, and the screen is laid out for it. */
enum Turn: string
{
    case Caution = 'caution';
    case TakeOut = 'take-out';
    case Barred = 'barred';
    case Stand = 'stand';
    case Clock = 'clock';
    case Running = 'running';
    case Count = 'count';
    case PutIn = 'put-in';
    case Fastener = 'fastener';
    case Stage = 'stage';
    case Reading = 'reading';
    case Tools = 'tools';
    case Photo = 'photo';
    case Close = 'close';
    case Closed = 'closed';
}
