<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

/** The tools to be accounted for here. */
final readonly class Tools implements Shown
{
    /**
     * @param list<string> $tools
     * @param list<string> $toolsMissing
     */
    public function __construct(
        public array $tools,
        public array $toolsMissing,
    ) {
    }
}
