<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Quantity\Angle;

/** An angle made in whole swings of the handle: how many, and how far the last one goes. */
final readonly class Pulls
{
    private function __construct(public int $count, public Angle $last)
    {
    }

    public static function of(Angle $angle, Angle $swing): self
    {
        $count = max(1, (int) ceil($angle->over($swing) - 1e-9));

        return new self($count, Angle::degrees($angle->degrees - ($count - 1) * $swing->degrees));
    }
}
