<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

/** A copy of the database: when it was made, and how many bytes it has. */
final readonly class Backup
{
    public function __construct(public string $name, public \DateTimeImmutable $at, public int $bytes)
    {
    }

    public function size(): string
    {
        return $this->bytes < 1_000_000
            ? sprintf('%d kB', (int) ceil($this->bytes / 1000))
            : sprintf('%.1F MB', $this->bytes / 1_000_000);
    }
}
