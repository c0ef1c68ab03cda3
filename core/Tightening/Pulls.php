<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

/** An angle made in whole swings of the handle: how many, and how far the last one goes; degrees. */
final readonly class Pulls
{
    private function __construct(public int $count, public float $last)
    {
    }

    public static function of(float $angle, float $swing): self
    {
        $count = max(1, (int) ceil($angle / $swing - 1e-9));

        return new self($count, $angle - ($count - 1) * $swing);
    }
}
