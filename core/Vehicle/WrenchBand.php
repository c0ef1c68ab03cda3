<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** What a wrench is set to give, and what the bolt may then have got: N·m at the bolt. */
final readonly class WrenchBand
{
    /** @param bool $fits whether the whole band lies where it may */
    private function __construct(public float $aim, public float $low, public float $high, public bool $fits)
    {
    }

    /** @param float $error the share it may read off, either way */
    public static function around(float $aim, float $error, float $least, float $most): self
    {
        [$low, $high] = [$aim * (1 - $error), $aim * (1 + $error)];
        $slack = 1e-9 * $aim;

        return new self($aim, $low, $high, $low >= $least - $slack && $high <= $most + $slack);
    }
}
