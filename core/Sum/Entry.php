<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** One record of a list: what it is called, its numbers each in the base unit of its kind, its words. */
final readonly class Entry
{
    /**
     * @param array<string, float> $numbers
     * @param array<string, string> $words
     */
    public function __construct(public string $name, private array $numbers, private array $words)
    {
    }

    public function number(string $key): float
    {
        return $this->numbers[$key] ?? throw new \LogicException(sprintf('This entry has no “%s”.', $key));
    }

    public function maybe(string $key): ?float
    {
        return $this->numbers[$key] ?? null;
    }

    public function word(string $key, string $default): string
    {
        return $this->words[$key] ?? $default;
    }
}
