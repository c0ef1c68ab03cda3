<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** One thing seen or gauged on a belt, its tensioner or an idler, and what it means for when that is renewed. */
final readonly class WearSign
{
    public function __construct(public string $part, public Wear $wear, public string $why, public bool $isDanger = false)
    {
    }
}
