<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet\Mishap;

/** What a mishap happens to. */
enum MishapOf: string
{
    case Fastener = 'fastener';
    case Part = 'part';
}
