<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Mishap;

/** What a mishap happens to. */
enum MishapOf: string
{
    case Fastener = 'fastener';
    case Part = 'part';
}
