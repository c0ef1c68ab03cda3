<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Mass;

/** A leg of a sling: how far from upright it hangs, and what it is rated for at that angle; unrated is null. */
final readonly class Leg
{
    public function __construct(public Angle $angle, public ?Mass $rating)
    {
    }
}
