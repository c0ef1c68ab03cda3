<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Every connection keeps what it says it keeps: WAL, foreign keys, a busy timeout, and a full sync at each commit. */
#[AutoconfigureTag('doctrine.middleware')]
final class SqlitePragmas implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                $path = $params['path'] ?? '';
                if ('' !== $path && !is_dir(dirname($path))) {
                    mkdir(dirname($path), 0o770, true);
                }
                $connection = parent::connect($params);
                $connection->exec('PRAGMA busy_timeout = 8000; PRAGMA journal_mode = WAL; PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA temp_store = MEMORY');

                return $connection;
            }
        };
    }
}
