<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChainDrive;

/** What makes a timing chain rattle or its plunger stand far out. */
enum ChainFault: string
{
    case None = 'sound';
    case Tensioner = 'tensioner';
    case ChainSoon = 'chain-soon';
    case Chain = 'chain';
}
