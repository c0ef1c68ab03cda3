<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

final class SqliteDriver extends AbstractDriverMiddleware
{
    public function connect(#[\SensitiveParameter] array $params): Connection
    {
        $path = $params['path'] ?? '';
        if ('' !== $path && !is_dir(dirname($path))) {
            mkdir(dirname($path), 0o750, true);
        }
        $connection = parent::connect($params);
        $connection->exec(
            'PRAGMA busy_timeout = 8000; PRAGMA journal_mode = WAL; PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA '
                .'temp_store = MEMORY',
        );

        return new ImmediateTransactions($connection);
    }
}
