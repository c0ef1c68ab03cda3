<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Copies of the database: taken while work goes on, checked before they count, and put back. */
final readonly class Database
{
    public function __construct(private Connection $db, private ClockInterface $clock, #[Autowire(param: 'app.data_dir')] private string $dataDir, #[Autowire(param: 'kernel.environment')] private string $environment)
    {
    }

    public function path(): string
    {
        return $this->dataDir.'/'.$this->environment.'.db';
    }

    /** @throws \RuntimeException with what to do about it */
    public function backUpTo(string $directory): string
    {
        if (!is_dir($directory) && !mkdir($directory, 0o770, true) && !is_dir($directory)) {
            throw new \RuntimeException(sprintf('%s cannot be made: choose another folder.', $directory));
        }
        $file = sprintf('%s/nimble-knuckle-%s.db', rtrim($directory, '/'), $this->clock->now()->format('Ymd-His-v'));
        $this->db->executeStatement('VACUUM INTO ?', [$file]);
        self::ensureSound($file);

        return $file;
    }

    /**
     * The database that was there is kept beside it.
     *
     * @return string where the former database now is, empty when there was none
     *
     * @throws \RuntimeException with what to do about it
     */
    public function restoreFrom(string $file): string
    {
        is_file($file) || throw new \RuntimeException(sprintf('There is no file %s.', $file));
        self::ensureSound($file);
        $this->db->close();
        $former = '';
        if (is_file($this->path())) {
            $former = $this->path().'.before-restore-'.$this->clock->now()->format('Ymd-His');
            $old = new \PDO('sqlite:'.$this->path());
            $old->exec('PRAGMA wal_checkpoint(TRUNCATE)');
            unset($old);
            rename($this->path(), $former);
            foreach (['-wal', '-shm'] as $tail) {
                is_file($this->path().$tail) && unlink($this->path().$tail);
            }
        }
        copy($file, $this->path().'.new') && rename($this->path().'.new', $this->path()) || throw new \RuntimeException('The copy could not be put in place: is the disk full?');

        return $former;
    }

    private static function ensureSound(string $file): void
    {
        try {
            $copy = new \PDO('sqlite:'.$file, null, null, [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
            $sound = $copy->query('PRAGMA integrity_check');
            $events = $copy->query("SELECT COUNT(*) FROM sqlite_master WHERE name IN ('fit_event', 'fit', 'account', 'fit_event_no_update', 'fit_event_no_delete')");
            $isOurs = false !== $sound && 'ok' === $sound->fetchColumn() && false !== $events && 5 === $events->fetchColumn();
        } catch (\PDOException $e) {
            throw new \RuntimeException(sprintf('%s is no database of ours: %s', $file, $e->getMessage()), 0, $e);
        }
        $isOurs || throw new \RuntimeException(sprintf('%s is damaged or no database of ours: take another copy.', $file));
    }
}
