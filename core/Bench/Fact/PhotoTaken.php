<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A picture was taken: SHA-256 of its file, pixels. */
final readonly class PhotoTaken implements Fact
{
    public function __construct(
        public string $step, public string $hash, public int $width, public int $height, public string $shot = '',
        public string $field = '', public string $text = '',
    ) {
    }
}
