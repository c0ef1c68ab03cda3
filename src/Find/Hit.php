<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Find;

/** Something that was found: what it is called, what it is, and where it is looked at. */
final readonly class Hit
{
    /** @param array<string, string> $parameters of the route */
    public function __construct(public string $label, public string $kind, public string $route, public array $parameters = [])
    {
    }
}
