<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A slip clutch was tried: the stack, its set height and shims in mm, the pulls in N·m. */
final readonly class TrialKept implements Fact
{
    public function __construct(
        public string $step, public string $stack, public float $height, public string $pulls, public float $shims = 0.0,
        public float $threadLeft = 0.0, public string $box = '',
    ) {
    }
}
