<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** How much a disk has free; an installation may keep some of it back. */
final readonly class FreeSpace
{
    public function __construct(#[Autowire(env: 'default::int:APP_KEEP_FREE_MB')] private ?int $keptFreeMb = null)
    {
    }

    /** In bytes; a folder whose disk does not say counts as having enough. */
    public function bytesUnder(string $directory): float
    {
        $free = disk_free_space($directory);

        return (false === $free ? \INF : $free) - 1e6 * ($this->keptFreeMb ?? 0);
    }
}
