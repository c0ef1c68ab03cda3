<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/**
 * Every connection keeps what it says it keeps: WAL, foreign keys, a busy timeout, a full sync at each commit. Every
 * transaction takes the write lock with its first word, so that what is read inside it is still so when it is written.
 */
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
                    mkdir(dirname($path), 0o750, true);
                }
                $connection = parent::connect($params);
                $connection->exec('PRAGMA busy_timeout = 8000; PRAGMA journal_mode = WAL; PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA temp_store = MEMORY');

                return new class($connection) extends AbstractConnectionMiddleware {
                    /** PDO can only say BEGIN, and must know that a transaction runs: its own is exchanged for an immediate one. */
                    public function beginTransaction(): void
                    {
                        parent::beginTransaction();
                        try {
                            $this->exec('ROLLBACK; BEGIN IMMEDIATE');
                        } catch (\Throwable $e) {
                            $this->exec('BEGIN');
                            parent::rollBack();
                            throw $e;
                        }
                    }
                };
            }
        };
    }
}
