<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Middleware;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Every connection keeps what it says it keeps: WAL, foreign keys, a busy timeout, and a full sync at each commit. */
#[AutoconfigureTag('doctrine.middleware')]
final class SqlitePragmas implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new SqliteDriver($driver);
    }
}
