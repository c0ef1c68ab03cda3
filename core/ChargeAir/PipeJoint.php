<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** Two pipe ends to be joined by a hose. mm outside; degrees between them. */
final readonly class PipeJoint
{
    public function __construct(public string $name, public float $a, public float $b, public bool $hasBead, public float $angle)
    {
    }
}
