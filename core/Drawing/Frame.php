<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Drawing;

/** What a drawing shows, in its own units, y down. */
final readonly class Frame
{
    public function __construct(public float $left, public float $top, public float $width, public float $height)
    {
    }
}
