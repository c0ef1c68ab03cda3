<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** One pour: litres, and its share of what the engine takes in percent. */
final readonly class Pour
{
    public function __construct(public float $litres, public float $percent)
    {
    }
}
