<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Copies of the database: taken while work goes on, checked before they count, and put back. */
final readonly class Database
{
    public function __construct(
        private Connection $db,
        private ClockInterface $clock,
        #[Autowire(param: 'app.data_dir')] private string $dataDir,
        #[Autowire(param: 'kernel.environment')] private string $environment,
        #[Autowire(param: 'kernel.project_dir')] private string $projectDir,
        private FreeSpace $space,
        private PhotoCopies $photos,
    ) {
    }

    public function path(): string
    {
        return $this->dataDir.'/'.$this->environment.'.db';
    }

    /** @throws \RuntimeException with what to do about it */
    public function backUpTo(string $directory): string
    {
        if (!is_dir($directory) && !@mkdir($directory, 0o750, true) && !is_dir($directory)) {
            throw new \RuntimeException(sprintf('%s cannot be made: choose another folder.', $directory));
        }
        $this->ensureRoom($directory, is_file($this->path()) ? (int) filesize($this->path()) : 0);
        $file = sprintf('%s/nimble-knuckle-%s.db', rtrim($directory, '/'), $this->clock->now()->format('Ymd-His-v'));
        try {
            $this->db->executeStatement('VACUUM INTO ?', [$file]);
            self::ensureSound($file);
            // After the database, so that every picture it names is there to be copied.
            $this->photos->copyTo($directory);
        } catch (\Throwable $e) {
            // Half a copy is worse than none.
            is_file($file) && unlink($file);
            throw $e instanceof \RuntimeException && !$e instanceof \Doctrine\DBAL\Exception ? $e : new \RuntimeException(
                sprintf('The copy could not be written to %s: %s. Nothing is left there.', $directory, $e->getMessage()), 0, $e,
            );
        }

        return $file;
    }

    /**
     * The database that was there is kept beside it. Nothing is touched before the copy is known to be sound, ours, and to fit.
     *
     * @return string where the former database now is, empty when there was none
     *
     * @throws \RuntimeException with what to do about it
     */
    public function restoreFrom(string $file): string
    {
        is_file($file) || throw new \RuntimeException(sprintf('There is no file %s.', $file));
        realpath($file) !== realpath($this->path())
            || throw new \RuntimeException('That is the database in use itself. Choose a copy of it.');
        self::ensureSound($file);
        $this->ensureKnown($file);
        is_dir($this->dataDir) || mkdir($this->dataDir, 0o750, true);
        $this->ensureRoom($this->dataDir, (int) filesize($file));
        $new = $this->path().'.new';
        copy($file, $new) || throw new \RuntimeException(
            'The copy could not be written beside the database: is the disk full? Nothing was changed.',
        );
        $this->db->close();
        $this->photos->bringFrom(dirname($file));
        $former = $this->setAside();
        rename($new, $this->path()) || throw new \RuntimeException(sprintf(
            'The copy could not be put in place. What was there is %s.', $former,
        ));

        return $former;
    }

    /** Moves what is there aside, under a name nothing has yet. */
    private function setAside(): string
    {
        if (!is_file($this->path())) {
            return '';
        }
        $old = new \PDO('sqlite:'.$this->path());
        $old->exec('PRAGMA wal_checkpoint(TRUNCATE)');
        unset($old);
        $stem = $this->path().'.before-restore-'.$this->clock->now()->format('Ymd-His');
        $former = $stem;
        for ($i = 2; is_file($former); ++$i) {
            $former = $stem.'-'.$i;
        }
        rename($this->path(), $former) || throw new \RuntimeException('The database in use could not be moved aside. Nothing was changed.');
        foreach (['-wal', '-shm'] as $tail) {
            is_file($this->path().$tail) && unlink($this->path().$tail);
        }

        return $former;
    }

    /** A copy of a newer version than this is not put in place; an older one is, and migrated after. */
    private function ensureKnown(string $file): void
    {
        $copy = new \PDO('sqlite:'.$file, null, null, [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $found = $copy->query('SELECT version FROM doctrine_migration_versions');
        $versions = false === $found ? [] : $found->fetchAll(\PDO::FETCH_COLUMN);
        foreach ($versions as $version) {
            $class = is_string($version) ? substr($version, (int) strrpos($version, '\\') + 1) : '';
            is_file($this->projectDir.'/migrations/'.$class.'.php') || throw new \RuntimeException(
                'That copy was made by a newer version of the application. Install that version first. Nothing was changed.',
            );
        }
    }

    /** As much again stays free. */
    private function ensureRoom(string $directory, int $bytes): void
    {
        $free = $this->space->bytesUnder($directory);
        if ($free < 2 * $bytes + 1_000_000) {
            throw new \RuntimeException(
                sprintf(
                    'The disk under %s has %d MB free, and %d MB are needed. Nothing was changed.', $directory, (int) ($free / 1e6),
                    (int) ceil((2 * $bytes + 1_000_000) / 1e6),
                ),
            );
        }
    }

    private static function ensureSound(string $file): void
    {
        try {
            $copy = new \PDO('sqlite:'.$file, null, null, [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
            $sound = $copy->query('PRAGMA integrity_check');
            $events = $copy->query(
                "SELECT COUNT(*) FROM sqlite_master
                WHERE name IN ('fit_event', 'fit', 'account', 'fit_event_no_update', 'fit_event_no_delete')",
            );
            $isOurs = false !== $sound && 'ok' === $sound->fetchColumn() && false !== $events && 5 === $events->fetchColumn();
        } catch (\PDOException $e) {
            throw new \RuntimeException(sprintf('%s is no database of ours: %s', $file, $e->getMessage()), 0, $e);
        }
        $isOurs || throw new \RuntimeException(sprintf('%s is damaged or no database of ours: take another copy.', $file));
    }
}
