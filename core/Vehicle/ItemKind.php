<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** Whether an item only covers, or is needed before the engine may run. */
enum ItemKind: string
{
    case Cover = 'cover';
    case Part = 'part';
    case Lead = 'lead';
}
