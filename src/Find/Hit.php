<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Find;

/** Something that was found: what it is called, what it is, and where it is looked at. */
final readonly class Hit
{
    /**
     * @param array<string, string> $parameters of the route
     * @param string $figure all of it, of a joint that has one
     */
    public function __construct(
        public string $label, public string $kind, public string $route, public array $parameters = [], public string $figure = '',
    ) {
    }

    /** Whether every word stands in what it is called, or in what else is known of it. */
    public function speaksOf(string $words, string $more = ''): bool
    {
        $said = mb_strtolower($this->label.' '.$this->kind.' '.$more);

        return [] === array_filter(
            preg_split('/\s+/', mb_strtolower($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [],
            static fn (string $word): bool => !str_contains($said, $word),
        );
    }
}
