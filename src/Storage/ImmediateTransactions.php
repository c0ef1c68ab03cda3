<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;

/** Every transaction takes the write lock with its first word, so that what is read inside it is still so when it is written. */
final class ImmediateTransactions extends AbstractConnectionMiddleware
{
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
}
