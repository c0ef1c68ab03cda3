<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use NimbleKnuckle\App\Photos\PhotoFiles;

/**
 * The pictures beside a copy of the database. A picture goes by its hash and never changes: only those that are not there yet are
 * copied, each held against its hash. All copies of the database in a folder share them.
 */
final readonly class PhotoCopies
{
    public function __construct(private PhotoFiles $files, private FreeSpace $space)
    {
    }

    /**
     * @return int how many were new
     *
     * @throws \RuntimeException with what to do about it
     */
    public function copyTo(string $directory): int
    {
        return $this->copyNew($this->files->folder(), rtrim($directory, '/').'/'.PhotoFiles::FOLDER);
    }

    /**
     * Adds what lies beside a copy and is not here. Nothing here is changed.
     *
     * @throws \RuntimeException with what to do about it
     */
    public function bringFrom(string $directory): int
    {
        return $this->copyNew(rtrim($directory, '/').'/'.PhotoFiles::FOLDER, $this->files->folder());
    }

    private function copyNew(string $from, string $to): int
    {
        $new = array_diff(self::names($from), self::names($to));
        $bytes = array_sum(array_map(static fn (string $name): int => (int) filesize($from.'/'.$name), $new));
        [] === $new || $this->space->bytesUnder(is_dir($to) ? $to : dirname($to)) > $bytes + 1_000_000 || throw new \RuntimeException(
            sprintf('%d MB of pictures do not fit under %s. Nothing was changed.', (int) ceil($bytes / 1e6), $to),
        );
        foreach ($new as $name) {
            self::copy($from.'/'.$name, $to.'/'.$name);
        }

        return count($new);
    }

    private static function copy(string $from, string $to): void
    {
        $bytes = (string) file_get_contents($from);
        hash('sha256', $bytes).'.jpg' === basename($from) || throw new \RuntimeException(
            sprintf('The picture %s is damaged: take it from an older backup.', $from),
        );
        is_dir(dirname($to)) || @mkdir(dirname($to), 0o750, true) || is_dir(dirname($to)) || throw new \RuntimeException(
            sprintf('%s cannot be made: choose another folder.', dirname($to)),
        );
        strlen($bytes) === @file_put_contents($to.'.new', $bytes) && rename($to.'.new', $to) || throw new \RuntimeException(
            sprintf('%s could not be written: is the disk full?', $to),
        );
    }

    /** @return list<string> “ab/abcd….jpg” */
    private static function names(string $folder): array
    {
        $names = [];
        foreach (glob($folder.'/[0-9a-f][0-9a-f]/*.jpg') ?: [] as $path) {
            $names[] = basename(dirname($path)).'/'.basename($path);
        }

        return $names;
    }
}
