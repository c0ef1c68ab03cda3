<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** A stack that was tried: how it lay, how high it was set, what each pull of the wrench came to. mm and N·m. */
final readonly class SlipTrial
{
    /** @param non-empty-list<float> $pulls */
    public function __construct(public SpringStack $stack, public float $height, public array $pulls)
    {
    }

    public function mean(): float
    {
        return array_sum($this->pulls) / count($this->pulls);
    }
}
