<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** Where an item stands on the access map, in units of the drawing. */
final readonly class AccessBox
{
    public function __construct(public Item $item, public float $x, public float $y, public float $wide, public float $high)
    {
    }
}
