<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** Where a belt puts the tensioner’s arm: degrees, percent of its window, and whether the arm can take that belt up. */
final readonly class ArmPlace
{
    public function __construct(public float $length, public float $angle, public float $travel, public TensionerFit $take)
    {
    }

    public function fits(): bool
    {
        return TensionerFit::InWindow === $this->take;
    }
}
