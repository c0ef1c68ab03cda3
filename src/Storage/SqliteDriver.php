<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

final class SqliteDriver extends AbstractDriverMiddleware
{
    public function connect(#[\SensitiveParameter] array $params): Connection
    {
        $path = $params['path'] ?? '';
        // A database is made by the set-up, or with the demo, never by a page that finds none.
        if (self::isOfAPage($path) && !is_file($path)) {
            throw new ServiceUnavailableHttpException(null, 'There is no database here yet: bin/setup makes it.');
        }
        if ('' !== $path && !is_dir(dirname($path))) {
            mkdir(dirname($path), 0o750, true);
        }
        $connection = parent::connect($params);
        $connection->exec(
            'PRAGMA busy_timeout = 8000; PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA temp_store = MEMORY'
                .(self::hasWal(is_string($path) ? $path : '') ? '' : '; PRAGMA journal_mode = WAL'),
        );

        return new ImmediateTransactions($connection);
    }

    private static function isOfAPage(string $path): bool
    {
        return '' !== $path && 'cli' !== \PHP_SAPI && DataDirectory::MAKING !== basename(dirname($path));
    }

    /** A database says in its head that it keeps a write-ahead log; to say so again costs every request a look at the files. */
    private static function hasWal(string $path): bool
    {
        return is_file($path) && "\x02\x02" === file_get_contents($path, false, null, 18, 2);
    }
}
