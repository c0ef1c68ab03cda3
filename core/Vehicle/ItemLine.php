<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** One line of a pasted list, as it was understood. */
final readonly class ItemLine
{
    /**
     * @param array<string, mixed> $item as it would stand in nimble-knuckle/vehicle@2; empty where it cannot
     * @param list<string> $wrong each a sentence with its remedy
     */
    public function __construct(public int $number, public string $text, public array $item, public array $wrong)
    {
    }
}
