<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Formula\Formula;

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

    /**
     * @param string $unit of what it comes to
     * @param ?string $with what goes in, where not the numbers in their places
     * @param ?string $result what it comes to, where more than the number is said
     */
    public static function by(
        Formula $formula, string $label, string $unit, string $source, int $digits = 4, ?string $with = null, ?string $result = null,
    ): self {
        return new self($label, $formula->written(), $with ?? $formula->filled(), $result ?? $formula->said($unit, $digits), $source);
    }
}
