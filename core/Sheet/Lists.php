<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

/** What a fit takes, in the order it is needed; what the kit lacks stands first. */
final readonly class Lists
{
    /**
     * @param list<Pick> $tools
     * @param list<Pick> $consumables
     * @param list<Pick> $parts
     */
    public function __construct(public array $tools = [], public array $consumables = [], public array $parts = [])
    {
    }
}
