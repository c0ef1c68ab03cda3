<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** Outside of the physical bounds a figure is refused; between the typical ones it usually lies. */
final readonly class Ranges
{
    public function __construct(public ?Bounds $physical = null, public ?Bounds $typical = null)
    {
    }
}
