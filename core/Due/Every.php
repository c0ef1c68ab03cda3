<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Due;

/** How often something is due: by time, by distance, or whichever comes first. Months and km; 0 where it does not count. */
final readonly class Every
{
    public function __construct(public int $months, public float $km)
    {
    }

    public function isSet(): bool
    {
        return $this->months > 0 || $this->km > 0.0;
    }
}
