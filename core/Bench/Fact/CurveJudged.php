<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A curve was judged. Seconds it lasted. */
final readonly class CurveJudged implements Fact
{
    public function __construct(
        public string $step, public string $reading, public string $finding, public string $verdict, public string $said,
        public float $seconds = 0.0,
    ) {
    }
}
