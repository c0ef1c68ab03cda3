<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** One line of the working: the formula in plain symbols, the numbers put in, what came out, where the formula is from. */
final readonly class Working
{
    public function __construct(
        public string $label,
        public string $formula,
        public string $with,
        public string $result,
        public string $source,
    ) {
    }
}
