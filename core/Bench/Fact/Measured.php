<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** A reading was taken: as written, and its value in the base unit of its kind; off a picture, by how much it may be wrong. */
final readonly class Measured implements Fact
{
    public function __construct(
        public string $step, public string $field, public string $text, public float $value, public string $unit,
        public string $photo = '', public float $doubt = 0.0,
    ) {
    }
}
