<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Something was drawn on a picture, in shares of its width and height. */
final readonly class PhotoMarked implements Fact
{
    public function __construct(
        public string $photo, public string $kind, public float $x, public float $y, public float $toX = 0.0, public float $toY = 0.0,
        public string $text = '',
    ) {
    }
}
